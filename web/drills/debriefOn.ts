import { wrap, type Remote } from 'comlink';
import { debriefOf, type Answer, type Debrief, type DrillMove, type DrillPlay } from '#core/test/drills';
import type { DebriefThread } from './debrief.worker';

interface Thread {
  told: Remote<DebriefThread>;
  /** A thread whose program could not be fetched says so by this alone: what it is asked is never answered. */
  failed: Promise<never>;
}

let thread: Thread | undefined;
function started(): Thread {
  if (thread) return thread;
  const worker = new Worker(new URL('./debrief.worker.ts', import.meta.url), { type: 'module' });
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', (event) => {
      thread = undefined;
      reject(new Error(event.message || 'the thread did not start'));
    }),
  );
  failed.catch(() => undefined);
  return (thread = { told: wrap<DebriefThread>(worker), failed });
}
/** Starts the thread while there is a network to fetch it over. */
export const readyToDebrief = (): void => void started();

/** Plain data: what a component holds cannot be handed to another thread as it is. */
const plain = <T>(data: T): T => JSON.parse(JSON.stringify(data)) as T;

/** What is told of a play, worked out beside the page; on it where there is no other thread to be had. */
export async function debriefOn(
  play: DrillPlay,
  moves: readonly DrillMove[],
  answer: Answer,
): Promise<Debrief> {
  try {
    const { told, failed } = started();
    return await Promise.race([told.debrief(plain(play.drill), plain([...moves]), plain(answer)), failed]);
  } catch {
    return debriefOf(play, answer);
  }
}
