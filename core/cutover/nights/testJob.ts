import type { NightJob, NightRules, Worker } from './nightJob';
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

/** Rules for tests: eight hours, with nothing demanded of the views. */
export const eightHours: NightRules = {
  shiftMinutes: 480,
  sureChance: 0.9,
  walkMinutes: 6,
  mostDark: [],
  weights: {},
  reserveMinutes: 30,
};

/** A crew for tests: two who can be at height together, and one of them who knows recorders. */
export const twoPeople: Worker[] = [
  { id: 'tolland', skills: ['cable', 'network', 'height'] },
  { id: 'quay', skills: ['cable', 'height'] },
];
