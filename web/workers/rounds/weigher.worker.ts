import { expose } from 'comlink';
import type { Belief } from '#core/test/diagnosis';
import { believeRun, weighRun, type RunToWeigh, type WeighedTest } from '#core/test/round';

/** Works out what is believed of runs, and weighs their tests, in a thread beside others that do the same. */
const weigher = {
  believe: (runs: RunToWeigh[]): Belief[] => runs.map(believeRun),
  weigh: (runs: RunToWeigh[]): WeighedTest[][] => runs.map(weighRun),
};
export type Weigher = typeof weigher;

expose(weigher);
