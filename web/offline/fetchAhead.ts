import { whenIdle } from './whenIdle';

/** What could not be fetched and was asked for by nobody: whoever asks for it later hears of it then. */
export const missedAhead = new WeakSet<object>();

/** Fetches a part of the program before anybody asks for it, once there is nothing better to do. */
export const fetchAhead = (load: () => Promise<unknown>, when = whenIdle): void =>
  when(() => void load().catch((error: object) => missedAhead.add(error)));
