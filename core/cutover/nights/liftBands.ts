import type { Timed } from './darkRules';

/** When a lift stands at a place, in minutes after the beginning of the shift. */
export interface LiftBand {
  place: string;
  start: number;
  end: number;
}

/** From when to when a lift stands at each place of a night: from the first job on it to the end of the last. */
export function liftBands(timed: readonly Timed[]): LiftBand[] {
  const places = new Set(timed.flatMap(({ job }) => job.lift ?? []));
  return [...places].map((place) => {
    const on = timed.filter(({ job }) => job.lift === place);
    return {
      place,
      start: Math.min(...on.map(({ start }) => start)),
      end: Math.max(...on.map(({ end }) => end)),
    };
  });
}
