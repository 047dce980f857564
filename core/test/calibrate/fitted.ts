import { troubles, type Trouble } from '#core/model/site';
import { symptoms, type Symptom } from '#core/physics/picture';
import { lineKind } from '#core/test/findings';
import { canHave, inventsSymptom, rates, shows, type DiagnosisInput } from '#core/test/diagnosis';

/** A run as it was read, and what it was found to have. */
export interface OpenedUp {
  looked: DiagnosisInput;
  found: readonly Trouble[];
}

/** A chance of the practice, and what runs that were opened up make of it. */
export interface Fitted {
  /** How often a trouble is there, how often it shows so, or how often a symptom is seen that nothing made. */
  of:
    | { kind: 'rate'; trouble: Trouble }
    | { kind: 'shows'; trouble: Trouble; symptom: Symptom }
    | { kind: 'invented' };
  was: number;
  would: number;
  /** So many of so many. */
  seen: number;
  among: number;
}

/** So many runs of practice stand behind what is believed already. A site alone moves it a little. Judgement. */
const practiceRuns = { rate: 300, shows: 40, invented: 400 };

/** Mean of a chance that was believed to be so for so many cases, after more. Source: a beta prior and binomial cases. */
const after = (was: number, weight: number, seen: number, among: number): number =>
  (was * weight + seen) / (weight + among);

const hasTrouble = ({ found }: OpenedUp, trouble: Trouble): boolean => found.includes(trouble);
const isPossible = ({ looked: { run } }: OpenedUp, trouble: Trouble): boolean =>
  canHave(trouble, lineKind(run), run.feed.kind !== 'local-adapter');

/** Rates and symptoms as runs that were opened up would have them. Nothing changes by itself: a person reads it and decides. */
export function fitted(runs: readonly OpenedUp[]): Fitted[] {
  const count = (some: readonly OpenedUp[], is: (one: OpenedUp) => boolean): number => some.filter(is).length;
  const ofRates = troubles.map((trouble): Fitted => {
    const could = runs.filter((one) => isPossible(one, trouble));
    const seen = count(could, (one) => hasTrouble(one, trouble));
    return {
      of: { kind: 'rate', trouble },
      was: rates[trouble],
      would: after(rates[trouble], practiceRuns.rate, seen, could.length),
      seen,
      among: could.length,
    };
  });
  const looked = runs.filter(({ looked: { readings } }) => readings.picture);
  const sees = ({ looked: { readings } }: OpenedUp, symptom: Symptom): boolean =>
    readings.picture!.symptoms.includes(symptom);
  const ofSymptoms = troubles.flatMap((trouble) => {
    const alone = looked.filter(({ found }) => found.length === 1 && found[0] === trouble);
    return symptoms.flatMap((symptom): Fitted[] => {
      const was = shows[trouble]?.[symptom] ?? 0;
      const seen = count(alone, (one) => sees(one, symptom));
      if (alone.length === 0 || (was === 0 && seen === 0)) return [];
      const would = after(was, practiceRuns.shows, seen, alone.length);
      return [{ of: { kind: 'shows', trouble, symptom }, was, would, seen, among: alone.length }];
    });
  });
  const sound = looked.filter(({ found }) => found.length === 0);
  const among = sound.length * symptoms.length;
  const seen = sound.reduce((sum, { looked: { readings } }) => sum + readings.picture!.symptoms.length, 0);
  const invented: Fitted = {
    of: { kind: 'invented' },
    was: inventsSymptom,
    would: after(inventsSymptom, practiceRuns.invented, seen, among),
    seen,
    among,
  };
  return [...ofRates, ...ofSymptoms, ...(among > 0 ? [invented] : [])];
}
