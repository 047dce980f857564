import type { TestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import { causes, troubles, type Cause, type Trouble } from './causes';
import type { DiagnosisInput } from './looked';
import { rates } from './practice';
import { priorLog, ratesFor, storiesOf, storyLogs } from './posterior';
import { readingWords } from './readingWords';
import { bitOf, type TroubleSet } from './troubleSets';

/** What one reading says, and how much it speaks for each cause, in decibans: against nothing being wrong, and against all other causes. */
export interface Evidence {
  message: string;
  overNoneDb: Record<Cause, number>;
  overOthersDb: Record<Cause, number>;
}

const singles: readonly TroubleSet[] = [0, ...troubles.map(bitOf)];

/** Tests that were read. */
export const readTests = (readings: RunReadings): TestId[] =>
  Object.values(readings).flatMap((reading) => (reading ? [reading.test] : []));

const none = () => Object.fromEntries(causes.map((cause) => [cause, 0])) as Record<Cause, number>;
/** What is hardly possible counts for no more than so much. */
const leastChance = 1e-30;
const decibans = (chance: number, other: number): number =>
  10 * Math.log10(Math.max(leastChance, chance) / Math.max(leastChance, other));

const oddsOf = (rate: number): number => rate / (1 - rate);

/** How much the volts at night shift the chance that the cores take too many, in decibans. */
function dropShiftDb(looked: DiagnosisInput, now: ReadonlyMap<Trouble, number>): number {
  const { 'night-volts': _, ...others } = looked.readings;
  const before = ratesFor({ ...looked, readings: others }).get('power-drop');
  return decibans(oddsOf(now.get('power-drop') ?? 0.5), oddsOf(before ?? 0.5));
}

/**
 * How much each reading by itself speaks for a cause, in decibans: 10·log₁₀ of the likelihood ratio, against a sound run and
 * against all other causes as they are before anything is read. One trouble at a time is thought of. What only speaks for
 * another trouble does not speak against this one: both can stand.
 */
export function evidenceOf(looked: DiagnosisInput): Evidence[] {
  return [...evidenceOfReadings(looked), ...evidenceOfOthers(looked)];
}

/** What other runs of the site say: how much they shift the rate of practice. */
function evidenceOfOthers({ shared }: DiagnosisInput): Evidence[] {
  return troubles.flatMap((trouble): Evidence[] => {
    const of = shared[trouble];
    if (!of) return [];
    const shift = { ...none(), [trouble]: decibans(oddsOf(of.rate), oddsOf(rates[trouble])) };
    return [{ message: of.message, overNoneDb: shift, overOthersDb: shift }];
  });
}

function evidenceOfReadings(looked: DiagnosisInput): Evidence[] {
  const ratesNow = ratesFor(looked);
  const prior = priorLog(ratesNow);
  const known = singles.filter(
    (set) => set === 0 || troubles.some((t) => bitOf(t) === set && ratesNow.has(t)),
  );
  const before = known.map((set) => Math.exp(prior(set)));
  const causeOf = new Map<TroubleSet, Cause>([
    [0, 'sound'],
    ...troubles.map((trouble) => [bitOf(trouble), trouble] as const),
  ]);
  // AC that comes with volts between the earths says nothing more than they do.
  const isToldTwice = (test: TestId): boolean =>
    test === 'foreign-ac-volts' && looked.readings['shield-earth-volts'] !== undefined;
  const told = readTests(looked.readings).filter((test) => !isToldTwice(test));
  return told.map((test): Evidence => {
    const alone = { ...looked, readings: { [test]: looked.readings[test] } as RunReadings };
    const logs = storyLogs(storiesOf(alone).all, known);
    const most = Math.max(...logs);
    const chances = logs.map((log) => Math.exp(log - most));
    const all = chances.reduce((sum, chance, index) => sum + chance * before[index]!, 0);
    const total = before.reduce((sum, chance) => sum + chance, 0);
    const [overNoneDb, overOthersDb] = [none(), none()];
    known.forEach((set, index) => {
      const own = chances[index]! * before[index]!;
      const cause = causeOf.get(set)!;
      overOthersDb[cause] = decibans(chances[index]!, (all - own) / (total - before[index]!));
      overNoneDb[cause] = set === 0 ? overOthersDb[cause] : decibans(chances[index]!, chances[0]!);
    });
    // Whether the cores take too many volts stands in the rates, by what was read at night.
    if (test === 'night-volts') {
      const shiftDb = dropShiftDb(looked, ratesNow);
      overNoneDb['power-drop'] += shiftDb;
      overOthersDb['power-drop'] += shiftDb;
    }
    return { message: readingWords(looked, test), overNoneDb, overOthersDb };
  });
}
