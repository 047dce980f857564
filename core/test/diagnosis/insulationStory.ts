import { runLengthM } from '#core/model/site';
import { logMix, logNormal, logSum } from './density';
import type { DiagnosisInput } from './looked';
import { insulation, misread } from './practice';
import { has, story, type Story, type TroubleSet } from './troubleSets';

/** What insulation tells of water and of a short. */
export function insulationStory({ run, readings }: DiagnosisInput): Story {
  const reading = readings['insulation-megohms'];
  const read = Math.log(Math.max(insulation.least, reading?.value ?? 0));
  const range = Math.log(1e6);
  const density = ({ megohms, spread }: { megohms: number; spread: number }): number =>
    logMix(logNormal(read, Math.log(megohms), spread), -Math.log(range), misread);
  const dry = {
    ...insulation.dry,
    megohms: insulation.dry.megohms * Math.sqrt(insulation.dry.ofM / runLengthM(run)),
  };
  const states = (set: TroubleSet): { megohms: number; spread: number; share: number }[] => {
    if (has(set, 'short')) return [{ ...insulation.shorted, share: 1 }];
    if (has(set, 'water')) return [{ ...insulation.wet, share: 1 }];
    // A branch may end in something that conducts.
    if (has(set, 'tap'))
      return [
        { ...dry, share: 0.9 },
        { ...insulation.shorted, share: 0.1 },
      ];
    return [{ ...dry, share: 1 }];
  };
  return story(['water', 'short', 'tap'], (set) =>
    reading ? logSum(states(set).map((state) => Math.log(state.share) + density(state))) : 0,
  );
}
