import { realAcVolts } from '#core/test/findings';
import { logMix, logNormal } from './density';
import type { DiagnosisInput } from './looked';
import { earthVolts, misread } from './practice';
import { has, story, type Story } from './troubleSets';

/** Volts between shield and earth, and AC that comes with them, tell whether the ends stand on different earths. */
export function earthStory({ readings }: DiagnosisInput): Story {
  const shield = readings['shield-earth-volts']?.value;
  const foreign = realAcVolts(readings);
  const { sound, different, acShare, least } = earthVolts;
  const log = (volts: number): number => Math.log(Math.max(least, volts));
  const range = Math.log(1000);
  return story(['earth-difference'], (set) => {
    const { volts, spread } = has(set, 'earth-difference') ? different : sound;
    const density = (x: number, middle: number, of: number): number =>
      logMix(logNormal(log(x), log(middle), of), -Math.log(range), misread);
    // Where both are read they are the same volts once more.
    if (shield !== undefined) return density(shield, volts, spread);
    return foreign === undefined
      ? 0
      : density(foreign, volts * acShare.middle, Math.hypot(spread, acShare.spread));
  });
}
