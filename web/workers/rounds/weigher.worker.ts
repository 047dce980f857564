import { expose } from 'comlink';
import type { Belief } from '#core/test/diagnosis';
import { believeRun, weighRun, type BelievedRun, type RunToWeigh, type WeighedTest } from '#core/test/round';

/** Runs that this thread has worked out a belief in, by id. It lives for one round, in which no reading changes. */
const believed = new Map<string, BelievedRun>();

function believe(of: RunToWeigh): Belief {
  const run = believeRun(of);
  believed.set(of.looked.run.id, run);
  return run.belief;
}

/** Works out what is believed of runs, and weighs their tests, in a thread beside others that do the same. */
const weigher = {
  believe: (runs: RunToWeigh[]): Belief[] => runs.map(believe),
  weigh: (runs: RunToWeigh[]): WeighedTest[][] =>
    runs.map((of) => weighRun(of, believed.get(of.looked.run.id))),
};
export type Weigher = typeof weigher;

expose(weigher);
