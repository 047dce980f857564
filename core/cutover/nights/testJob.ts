import type { NightJob } from './nightJob';
import { usualSpread } from './spread';

/** A job for tests: an hour of one person at the quay that nothing depends on, but for what is said. */
export const jobOf = (
  id: string,
  { likely = 60, ...over }: Partial<NightJob> & { likely?: number } = {},
): NightJob => ({
  id,
  minutes: usualSpread(likely),
  rollBackMinutes: 20,
  people: 1,
  skills: ['cable'],
  place: 'quay',
  dark: [],
  needs: [],
  sameNight: null,
  restarts: null,
  lift: null,
  by: [],
  pinned: null,
  allowed: null,
  window: null,
  ...over,
});
