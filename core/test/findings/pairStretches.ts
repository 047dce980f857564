import { cableOf } from '#core/physics/cable';
import type { WarmStretch } from '#core/physics/signal';
import { runLengthM, type Run } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import { figure, type Figure } from '#core/shared/derivation';
import { lengthFigure } from './loops';

/** Whether some of a category cable is copper-clad aluminium, by the tables or by its own sheet. */
export const hasCladPairs = ({ segments }: Run): boolean =>
  segments.some((segment) => {
    const line = cableOf(segment);
    return line.kind === 'pair' && line.conductor.material === 'cca';
  });

/** Length of a category cable, as a tester read it or as it is noted. */
export const pairLengthFigure = (run: Run, readings: RunReadings): Figure => {
  const read = readings['pair-length-m']?.value;
  return read === undefined ? lengthFigure(run) : figure('length', read, 'm', 'measured');
};

/** A category cable as stretches at their own temperatures; as long as a tester read it, where one did. */
export function pairStretches(run: Run, readings: RunReadings): WarmStretch[] {
  const read = readings['pair-length-m']?.value;
  const times = read === undefined ? 1 : read / runLengthM(run);
  return run.segments.map(({ cable, sheet, lengthM, temperatureC }) => ({
    cable,
    sheet,
    lengthM: lengthM * times,
    temperatureC,
  }));
}
