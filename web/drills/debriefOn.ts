import { debriefOf, type Answer, type Debrief, type DrillMove, type DrillPlay } from '#core/test/drills';
import { threadCalls } from '../workers/threadCalls';
import type { DebriefThread } from './debrief.worker';

const thread = threadCalls<DebriefThread>(
  () => new Worker(new URL('./debrief.worker.ts', import.meta.url), { type: 'module' }),
);
/** Starts the thread while there is a network to fetch it over. */
export const readyToDebrief = (): void => void thread.debrief;

/** Plain data: what a component holds cannot be handed to another thread as it is. */
const plain = <T>(data: T): T => JSON.parse(JSON.stringify(data)) as T;

/** What is told of a play, worked out beside the page; on it where there is no other thread to be had. */
export async function debriefOn(
  play: DrillPlay,
  moves: readonly DrillMove[],
  answer: Answer,
): Promise<Debrief> {
  try {
    return await thread.debrief(plain(play.drill), plain([...moves]), plain(answer));
  } catch {
    return debriefOf(play, answer);
  }
}
