import { causeWords } from '#core/test/diagnosis';
import type { Drill } from './drill';
import { trueCauses } from './score';

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** How a drill really was, in a sentence. */
export function trueWords({ truth }: Pick<Drill, 'truth'>): string {
  const words = trueCauses(truth.troubles).map(
    (cause) => `${lowerFirst(causeWords[cause].label)} (${causeWords[cause].means})`,
  );
  const where = truth.atM === undefined ? '' : `, at ${Math.round(truth.atM)} m`;
  return `It was ${words.join(' and ')}${where}.`;
}
