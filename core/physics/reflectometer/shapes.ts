import { nextPowerOfTwo } from '#core/shared/numeric';
import { fourier } from './fourier';
import { shapeAt, type Launch } from './launch';

/** The sent pulse as it comes back from some way off: lower, later and with a tail. */
export interface Shape {
  values: Float64Array;
  /** Index at which it would be centred had the line not dragged it out. */
  middle: number;
  /** Squares of its first part, which is what is laid over a trace. */
  energy: number;
  /** How much of it is laid over a trace; the tail behind it meets other echoes too often. */
  count: number;
  /** Its height, and how wide it is at half of that. */
  peak: number;
  widthSteps: number;
}

/** The pulse in all its shapes: one that is near enough, or the very one. */
export interface Shapes {
  near: (skinDispersion: number) => Shape;
  exact: (skinDispersion: number) => Shape;
}

/** Steps between two amounts of dragging that are told apart, as a factor. */
const levelFactor = 1.18;
const leastDrag = 0.002;

/** Between which two levels an amount lies, and how far along. */
function levelsOf(skinDispersion: number): { level: number; part: number } {
  if (skinDispersion < leastDrag) return { level: 0, part: skinDispersion / leastDrag };
  const at = 1 + Math.log(skinDispersion / leastDrag) / Math.log(levelFactor);
  return { level: Math.floor(at), part: at - Math.floor(at) };
}
const dragOf = (level: number): number => (level === 0 ? 0 : leastDrag * levelFactor ** (level - 1));

/**
 * Shapes of a pulse by how much the line has dragged it out: each frequency is lowered by e to the −drag·√MHz and delayed
 * by as much in phase (skin effect). Each is made once.
 */
export function shapesOf(launch: Launch, stepNs: number): Shapes {
  const reach = Math.ceil(launch.shape.length / 2);
  const size = nextPowerOfTwo(Math.max(256, reach * 24));
  const fft = fourier(size);
  const sent = Array.from({ length: size }, (_, k) => shapeAt(launch, k - 2 * reach));
  const spectrum = fft.createComplexArray();
  fft.realTransform(spectrum, sent);
  const made = new Map<number, Shape>();

  function make(skinDispersion: number): Shape {
    const dragged = fft.createComplexArray();
    for (let k = 0; k <= size / 2; k += 1) {
      const exponent = skinDispersion * Math.sqrt((1000 * k) / (size * stepNs));
      const left = Math.exp(-exponent);
      // From here on nothing is left of the pulse.
      if (left < 1e-9) break;
      const [re, im] = [left * Math.cos(exponent), -left * Math.sin(exponent)];
      const [a, b] = [spectrum[2 * k]!, spectrum[2 * k + 1]!];
      dragged[2 * k] = a * re - b * im;
      dragged[2 * k + 1] = a * im + b * re;
    }
    fft.completeSpectrum(dragged);
    const back = fft.createComplexArray();
    fft.inverseTransform(back, dragged);
    const values = new Float64Array(Math.floor(size * 0.75));
    for (let k = 0; k < values.length; k += 1) values[k] = back[2 * k]!;
    let top = 0;
    for (let k = 0; k < values.length; k += 1) if (values[k]! > values[top]!) top = k;
    let wide = top;
    while (wide < values.length - 1 && values[wide]! > values[top]! / 2) wide += 1;
    const count = Math.min(values.length, Math.max(2 * reach + Math.ceil(reach * 1.6), wide + reach));
    let energy = 0;
    for (let k = 0; k < count; k += 1) energy += values[k]! ** 2;
    return {
      values,
      middle: 2 * reach,
      energy,
      count,
      peak: values[top]!,
      widthSteps: Math.max(2, 2 * (wide - top)),
    };
  }

  function atLevel(level: number): Shape {
    let shape = made.get(level);
    if (!shape) {
      shape = make(dragOf(level));
      made.set(level, shape);
    }
    return shape;
  }

  return {
    near: (skinDispersion) => {
      const { level, part } = levelsOf(skinDispersion);
      return atLevel(part > 0.5 ? level + 1 : level);
    },
    exact: (skinDispersion) => {
      const { level, part } = levelsOf(skinDispersion);
      const [a, c] = [atLevel(level), atLevel(level + 1)];
      const values = new Float64Array(a.values.length);
      for (let k = 0; k < values.length; k += 1)
        values[k] = a.values[k]! + part * (c.values[k]! - a.values[k]!);
      let energy = 0;
      for (let k = 0; k < a.count; k += 1) energy += values[k]! ** 2;
      return { ...a, values, energy };
    },
  };
}

/** How much of a shape there is when it is centred at `centre`, best fit in least squares over its first part. */
export function fitAt(volts: Float64Array, { values, middle, energy, count }: Shape, centre: number): number {
  const start = centre - middle;
  const whole = Math.floor(start);
  const part = start - whole;
  const from = Math.max(0, -whole);
  const to = Math.min(count, volts.length - 1 - whole);
  let [here, next] = [0, 0];
  for (let k = from; k < to; k += 1) here += volts[whole + k]! * values[k]!;
  if (part > 0) for (let k = from; k < to; k += 1) next += volts[whole + k + 1]! * values[k]!;
  return ((1 - part) * here + part * next) / energy;
}

/** How much of a shape there is over so many readings, best fit, and what is left then as a share of the trace there. */
export function fitOver(
  volts: Float64Array,
  { values, middle }: Shape,
  centre: number,
  count: number,
): { size: number; misfit: number } {
  const start = centre - middle;
  const whole = Math.floor(start);
  const part = start - whole;
  let [both, own, all] = [0, 0, 0];
  const to = Math.min(count, volts.length - 1 - whole);
  for (let k = Math.max(0, -whole); k < to; k += 1) {
    const a = volts[whole + k]!;
    const value = a + part * (volts[whole + k + 1]! - a);
    both += value * values[k]!;
    own += values[k]! ** 2;
    all += value ** 2;
  }
  return { size: both / own, misfit: all > 0 ? 1 - both ** 2 / (own * all) : 1 };
}
