import type { Trace } from './line';

/** The pulse that the instrument sent, as it stands at the start of its own trace. */
export interface Launch {
  volts: number;
  /** Its middle, where distances start. */
  centreNs: number;
  /** At half its height. */
  widthNs: number;
  /** Its shape over its height, at the trace's steps; `middle` is the index of its centre. */
  shape: Float64Array;
  middle: number;
}

/** Finds the sent pulse: the first thing that stands out. `null` where the trace has none. */
export function launchOf({ stepNs, volts }: Trace): Launch | null {
  let highest = 0;
  for (const value of volts) highest = Math.max(highest, Math.abs(value));
  if (highest === 0) return null;
  const start = volts.findIndex((value) => value > highest / 2);
  if (start < 0) return null;
  let end = start;
  while (end < volts.length - 1 && volts[end + 1]! > highest / 2) end += 1;
  const height = volts.slice(start, end + 1).reduce((most, value) => Math.max(most, value), 0);
  // Edges where the half height is crossed, between two readings.
  const cross = (below: number, above: number): number => {
    const [low, high] = [volts[below] ?? 0, volts[above]!];
    return above + ((below - above) * (high - height / 2)) / (high - low || 1);
  };
  const [rise, fall] = [cross(start - 1, start), cross(end + 1, end)];
  const width = Math.max(1, fall - rise);
  const centre = (rise + fall) / 2;
  const reach = Math.ceil(width * 1.2);
  const middle = Math.round(centre);
  const shape = new Float64Array(2 * reach + 1);
  for (let k = -reach; k <= reach; k += 1) shape[k + reach] = (volts[middle + k] ?? 0) / height;
  return {
    volts: height,
    centreNs: centre * stepNs,
    widthNs: width * stepNs,
    shape,
    middle: reach + (centre - middle),
  };
}

/** The shape of the pulse so many steps from its centre, between its readings on a straight line. */
export function shapeAt({ shape, middle }: Launch, fromCentre: number): number {
  const at = middle + fromCentre;
  const below = Math.floor(at);
  if (below < 0 || below >= shape.length - 1) return 0;
  return shape[below]! + (at - below) * (shape[below + 1]! - shape[below]!);
}
