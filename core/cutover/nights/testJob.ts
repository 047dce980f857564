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

/** Jobs as they come, at three places, some of them waiting for others. */
export function randomJobs(random: () => number, count: number): NightJob[] {
  const pick = (n: number) => Math.floor(random() * n);
  return Array.from({ length: count }, (_, k) =>
    jobOf(`j${k}`, {
      dark: [{ view: `j${k}`, minutes: 15 }],
      likely: 30 + 10 * pick(12),
      people: random() < 0.3 ? 2 : 1,
      skills: random() < 0.3 ? ['network'] : ['cable'],
      place: `place ${pick(3)}`,
      needs: k > 0 && random() < 0.4 ? [`j${pick(k)}`] : [],
      lift: random() < 0.2 ? 'mast' : null,
      restarts: random() < 0.3 ? 'hall-recorder' : null,
      allowed: random() < 0.15 ? { nights: [1, 2, 3], why: 'its parts come then' } : null,
      window: random() < 0.2 ? { from: 60, to: 270, why: 'the lift' } : null,
    }),
  );
}
