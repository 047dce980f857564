import { cableOf } from '#core/physics/cable';
import { seriesLossDb, shuntLossDb, tapLossDb } from '#core/physics/signal';
import type { Run } from '#core/model/site';
import { faultsOf, type RunEvent } from './traceEvents';

/** What the faults that a trace is sure of take from a picture or a link, in dB. An end that comes too early takes all. */
export function faultsLossDb(run: Run, events: readonly RunEvent[]): number {
  const lineOhms = cableOf(run.segments[0]!).impedanceOhms;
  return faultsOf(events).reduce((sum, { kind, ohms = 0 }) => {
    switch (kind) {
      case 'series':
        return sum + seriesLossDb(ohms, lineOhms);
      case 'shunt':
        return sum + shuntLossDb(ohms, lineOhms);
      case 'tap':
        return sum + tapLossDb(lineOhms);
      // A patch sends ρ² of the power back at each of its two steps.
      case 'lower-impedance':
        return sum - 20 * Math.log10(1 - ((lineOhms - ohms) / (lineOhms + ohms)) ** 2);
      case 'open':
      case 'short':
      case 'end':
        return sum + 60;
    }
  }, 0);
}
