import type { Place } from '#core/model/site';
import { causes, causeWords, type Trouble } from './causes';
import { contradictionsIn } from './contradictions';
import { evidenceOf, readTests } from './evidence';
import type { DiagnosisInput } from './looked';
import { nextTests, type NextTest } from './nextTest';
import { posteriorOf, ratesFor, type Posterior, type Stories } from './posterior';
import type { RankedCause, RankedSet } from './ranked';
import { saysOf } from './saysOf';
import { spoken } from './spoken';
import { troublesIn } from './troubleSets';
import { placesOf } from './where';

export interface Diagnosis {
  ranked: RankedCause[];
  /** The likeliest sets of troubles; a sound run is an empty one. */
  sets: RankedSet[];
  next: NextTest[];
  /** Readings that contradict physics or what is noted. */
  contradictions: string[];
  /** Dangerous volts were read: nobody tests anything. */
  stopped: boolean;
  /** In one sentence, what may be said and no more. */
  message: string;
}

/** Weight of evidence, in tenths of a power of ten, from which it is worth telling. */
const worthTelling = 3;
/** So many sets are told. */
const setsTold = 5;

/** Every cause that a run can have, the likeliest first. */
function rankedCauses(looked: DiagnosisInput, posterior: Posterior): RankedCause[] {
  const known = ratesFor(looked);
  const evidence = evidenceOf(looked);
  const places = placesOf(looked, posterior);
  return causes
    .filter((cause) => cause === 'sound' || known.has(cause))
    .map((cause): RankedCause => {
      // What is not on the list expects nothing, so that nothing speaks for it but that all else fits badly.
      const weighed = cause === 'unlisted' ? [] : evidence;
      const pro = weighed
        .filter((one) => one.overNoneDb[cause] >= worthTelling && one.overOthersDb[cause] >= 0)
        .sort((a, b) => b.overOthersDb[cause] - a.overOthersDb[cause]);
      const contra = weighed
        .filter((one) => one.overNoneDb[cause] <= -worthTelling)
        .sort((a, b) => a.overNoneDb[cause] - b.overNoneDb[cause]);
      return {
        cause,
        ...causeWords[cause],
        probability: posterior.belief[cause],
        where: cause === 'sound' ? null : (places.get(cause) ?? null),
        pro: pro.map(({ message, overOthersDb }) => spoken(message, overOthersDb[cause])),
        contra: contra.map(({ message, overNoneDb }) => spoken(message, -overNoneDb[cause])),
      };
    })
    .sort((a, b) => b.probability - a.probability);
}

const labelsOf = (troubles: readonly Trouble[]): string[] =>
  (troubles.length === 0 ? (['sound'] as const) : troubles).map((cause) => causeWords[cause].label);

const rankedSets = ({ sets }: Posterior): RankedSet[] =>
  sets.slice(0, setsTold).map(({ set, chance }) => {
    const troubles = troublesIn(set);
    return { troubles, labels: labelsOf(troubles), probability: chance };
  });

/** What is most likely wrong with a run, with what speaks for and against each cause, and what to test next. */
export function diagnose(looked: DiagnosisInput, place: Place): Diagnosis {
  const stopped = looked.verdicts.some(({ state }) => state === 'stop');
  const posterior = posteriorOf(looked);
  const ranked = rankedCauses(looked, posterior);
  const next = stopped ? [] : nextTests(looked, posterior, place);
  const sets = rankedSets(posterior);
  return {
    ranked,
    sets,
    contradictions: contradictionsIn(looked),
    stopped,
    next,
    message: saysOf({ ranked, sets, next, looked, hasReadings: readTests(looked.readings).length > 0 }),
  };
}

/** What would tell most of a run now. */
export const nextTestsOf = (looked: DiagnosisInput, place: Place, stories?: Stories): NextTest[] =>
  nextTests(looked, posteriorOf(looked, stories), place);
