import type { ProductOf } from '#core/model/site';
import { figure, type Figure, type Step } from '#core/shared/derivation';

export type Converter = ProductOf<'converter'>;

/** What a data sheet promises at this length: the row of the next longer distance, nothing beyond the last. */
export function promised(
  { distances }: Converter,
  lengthM: number,
): { lengthM: number; mbps: number; watts: number } | undefined {
  return (
    distances &&
    (distances.find((row) => row.lengthM >= lengthM) ?? {
      lengthM: distances.at(-1)!.lengthM,
      mbps: 0,
      watts: 0,
    })
  );
}

/** What a table's figure comes to where the model gives more or less than it does for the figures as they are known. */
export const byTable = (promise: number, modelled: number, asKnown: number): number =>
  promise * (asKnown > 0 ? Math.min(1, modelled / asKnown) : 1);

export const tableStep = (lengthM: Figure, name: string, value: number, unit: 'W' | 'Mb/s'): Step => ({
  message: 'By the data sheet at the next longer distance',
  formula: 'distance-table',
  inputs: [lengthM],
  result: figure(name, value, unit, 'data-sheet'),
});
