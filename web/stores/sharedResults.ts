import { shallowRef } from 'vue';
import { drills, mostResultsAtOnce } from '#contract';
import { resultsMissing, type DrillResult } from '#core/test/drills';
import { ask } from './api';

/** Results that the server keeps for everybody, as far as it shows them to whoever asks; none before it has answered. */
const kept = shallowRef<readonly DrillResult[]>([]);

async function read(): Promise<boolean> {
  const answer = await ask(drills.results);
  if (answer.kind === 'answer') kept.value = answer.value.results;
  return answer.kind === 'answer';
}

/** Sends what the server has not got of these. Where nobody answers they stay on this device until the next time. */
async function share(own: readonly DrillResult[]): Promise<void> {
  if (!(await read())) return;
  const toSend = resultsMissing(kept.value, own);
  if (toSend.length === 0) return;
  for (let start = 0; start < toSend.length; start += mostResultsAtOnce) {
    const results = toSend.slice(start, start + mostResultsAtOnce);
    const answer = await ask(drills.ended, { body: { results } });
    if (answer.kind !== 'answer') break;
  }
  // Whoever has ended a drill is shown how others did at it.
  await read();
}

export const useSharedResults = () => ({ kept, share });
