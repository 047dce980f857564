import { expose } from 'comlink';
import { weighRun, type RunToWeigh, type WeighedTest } from '#core/test/round';

/** Weighs the tests of runs, in a thread beside others that do the same. */
const weigher = {
  weigh: (runs: RunToWeigh[]): WeighedTest[][] => runs.map(weighRun),
};
export type Weigher = typeof weigher;

expose(weigher);
