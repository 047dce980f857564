import { testDefinition } from '#core/model/site';
import { requiredTests } from '#core/test/findings';
import type { RankedCause, RankedSet } from './ranked';
import type { DiagnosisInput } from './looked';
import type { NextTest } from './nextTest';
import { withinSentence } from './readingWords';
import { atPlace } from './where';

/** From so much a cause, or a set of them, is named without its rivals. Policy. */
const namedAlone = 0.8;
/** A test that is expected to tell so many bits could still change what is said of a sound run. Policy. */
const couldChangeBits = 0.15;

interface Told {
  ranked: readonly RankedCause[];
  sets: readonly RankedSet[];
  next: readonly NextTest[];
  looked: DiagnosisInput;
  hasReadings: boolean;
}

/** What is said where nothing shows: that no fault does is said when enough was looked at. */
function saysSound({ ranked: [first, second], next, looked: { run, readings } }: Told): string {
  if (first!.probability < namedAlone)
    return `No fault shows so far. Not ruled out: ${second!.label.toLowerCase()}.`;
  const telling = next.filter(({ bits }) => bits >= couldChangeBits).map(({ test }) => test.id);
  const missing = requiredTests(run).filter((test) => !readings[test]);
  const open = [...new Set([...missing, ...telling])].map((test) =>
    withinSentence(testDefinition(test).label),
  );
  return open.length === 0
    ? 'No fault shows in what was read.'
    : `Nothing found yet. Could still change it: ${open.slice(0, 3).join(', ')}.`;
}

/** In one sentence, what may be said and no more. */
export function saysOf(told: Told): string {
  const {
    ranked,
    sets: [set],
    looked: { verdicts },
    hasReadings,
  } = told;
  const [first, second] = ranked;
  if (!first || !hasReadings) return 'No readings yet.';
  const stop = verdicts.find(({ state }) => state === 'stop');
  if (stop) return stop.message;
  const failing = verdicts.find(({ state, basis }) => basis === 'measured' && state === 'fails');
  if (first.cause === 'sound')
    return failing
      ? `${failing.label}: ${failing.message.replace(/\.$/, '')}. What is behind it is not told yet.`
      : saysSound(told);
  const named = ({ label, where }: RankedCause): string => `${label.toLowerCase()}${atPlace(where)}`;
  const together = ranked.filter(({ cause }) => set!.troubles.some((trouble) => trouble === cause));
  if (together.length > 1 && together.every(({ probability }) => probability >= namedAlone))
    return `Most likely ${together.map(named).join(', and ')}: ${together.length} troubles at once.`;
  if (first.probability >= namedAlone) return `Most likely ${named(first)}: ${first.means}.`;
  return `${first.label}${atPlace(first.where)}, or ${named(second!)}: the readings do not tell them apart yet.`;
}
