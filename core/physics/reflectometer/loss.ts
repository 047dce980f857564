import { fitter, sumsOf, type Shapes } from './shapes';

/** What a line takes from a wave for each nanosecond there and back. */
export interface Loss {
  /** The same at every frequency, nepers. */
  evenPerNs: number;
  /** Skin effect: nepers at 1 MHz, growing with the root of the frequency. */
  dragPerNs: number;
}

/** What an echo is on the trace: how late, how large, and how much the line has dragged it out. */
export interface Fitted {
  timeNs: number;
  size: number;
  skinDispersion: number;
  misfit: number;
}

const drags = [0, 0.003, 0.006, 0.01, 0.016, 0.024, 0.035, 0.05, 0.07, 0.1, 0.14, 0.19, 0.26, 0.35, 0.48];

/** Amounts of dragging to try first: all there are, or those beside one that is nearly right. */
function dragsNear(known: number | undefined): number[] {
  if (known === undefined) return drags;
  const above = drags.findIndex((drag) => drag > known);
  const index = above < 0 ? drags.length : above;
  return drags.slice(Math.max(0, index - 2), index + 2);
}

/**
 * Fits an echo near a reading by its moment, its size and how dragged out it is.
 * @param knownDrag how dragged out it was found to be before the trace's slope was known: it is not looked for far from that
 */
export function fitEcho(
  volts: Float64Array,
  shapes: Shapes,
  near: number,
  launchSteps: number,
  stepNs: number,
  widthSteps: number,
  knownDrag?: number,
): Fitted {
  let best: Fitted = { timeNs: 0, size: 0, skinDispersion: 0, misfit: Infinity };
  // Every shape is held against the same stretch of the trace, or the shorter ones would seem to fit better.
  const span = Math.min(shapes.exact(0).values.length, 10 * widthSteps);
  let bestCentre = near;
  const sums = sumsOf(volts);
  const look = (skinDispersion: number, from: number, to: number, step: number): void => {
    const fit = fitter(volts, sums, shapes.exact(skinDispersion), span);
    for (let centre = from; centre <= to; centre += step) {
      const { size, misfit } = fit(centre);
      if (misfit < best.misfit)
        [best, bestCentre] = [
          { timeNs: (centre - launchSteps) * stepNs, size, skinDispersion: skinDispersion, misfit },
          centre,
        ];
    }
  };
  // A dragged pulse is seen later than it is centred; it is looked for from there back.
  for (const skinDispersion of dragsNear(knownDrag))
    look(skinDispersion, near - 1.5 * widthSteps, near + widthSteps / 2, 1);
  for (let range = 0.3; range > 0.02; range /= 2) {
    const { skinDispersion: drag } = best;
    for (const other of [drag * (1 - range), drag * (1 + range / 2), drag])
      look(other, bestCentre - 2 * range - 0.25, bestCentre + 2 * range + 0.25, Math.max(0.1, range / 2));
  }
  return best;
}
