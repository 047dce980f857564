import type { Predicted } from './predicted';

/** Whether a limit is met by a figure as it is expected: by all of the interval, by its middle, or by less. */
export type Meets = 'surely' | 'maybe' | 'hardly';

/** What a figure has to be at least or at most. */
export interface FigureBounds {
  least: number | null;
  most: number | null;
}

/** Whether what is expected of a figure meets its bounds. */
export function meetsBounds({ least, most }: FigureBounds, { value, low, high }: Predicted): Meets {
  const holds = (figure: number): boolean =>
    (least === null || figure >= least) && (most === null || figure <= most);
  if (holds(low) && holds(high)) return 'surely';
  return holds(value) ? 'maybe' : 'hardly';
}
