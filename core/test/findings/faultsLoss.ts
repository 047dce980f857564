import { cableOf } from '#core/physics/cable';
import { patchLossDb, seriesLossDb, shuntLossDb, tapLossDb, tapNotchDb } from '#core/physics/signal';
import type { Run } from '#core/model/site';
import { faultsOf, type RunEvent } from './traceEvents';

/**
 * What the faults that a trace is sure of take, in dB: of a picture up to its highest frequency, or on the whole of a link, which
 * sends beside a notch. An end that comes too early takes all.
 */
export function faultsLossDb(run: Run, events: readonly RunEvent[], topMHz?: number): number {
  const lineOhms = cableOf(run.segments[0]!).impedanceOhms;
  return faultsOf(events).reduce((sum, { kind, ohms = 0, branch }) => {
    switch (kind) {
      case 'series':
        return sum + seriesLossDb(ohms, lineOhms);
      case 'shunt':
        return sum + shuntLossDb(ohms, lineOhms);
      case 'tap':
        return sum + (topMHz === undefined ? tapLossDb : tapNotchDb(topMHz, branch));
      case 'lower-impedance':
        return sum + patchLossDb(ohms, lineOhms);
      case 'patch-end':
        return sum;
      case 'open':
      case 'short':
      case 'end':
        return sum + 60;
    }
  }, 0);
}
