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

/** What a line that drags a pulse out leaves of each frequency, real and imaginary part in turn, up to where nothing is left. */
function draggedSpectrum(level: number, size: number, stepNs: number): Float64Array {
  const skinDispersion = dragOf(level);
  const left: number[] = [];
  for (let k = 0; k <= size / 2; k += 1) {
    const exponent = skinDispersion * Math.sqrt((1000 * k) / (size * stepNs));
    const share = Math.exp(-exponent);
    if (share < 1e-9) break;
    left.push(share * Math.cos(exponent), -share * Math.sin(exponent));
  }
  return Float64Array.from(left);
}

/** An instrument keeps its step and its pulse: traces of one walk are dragged by the same few hundred spectra. */
const mostSpectra = 512;
const spectra = new Map<string, Float64Array>();

function spectrumAt(level: number, size: number, stepNs: number): Float64Array {
  const key = `${level} ${size} ${stepNs}`;
  let known = spectra.get(key);
  if (!known) {
    if (spectra.size >= mostSpectra) spectra.clear();
    spectra.set(key, (known = draggedSpectrum(level, size, stepNs)));
  }
  return known;
}

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
  // Every shape is made in the same two arrays: a trace asks for some thirty.
  const dragged = fft.createComplexArray();
  const back = fft.createComplexArray();

  function make(level: number): Shape {
    const left = spectrumAt(level, size, stepNs);
    dragged.fill(0);
    for (let k = 0; k < left.length; k += 2) {
      const [re, im, a, b] = [left[k]!, left[k + 1]!, spectrum[k]!, spectrum[k + 1]!];
      dragged[k] = a * re - b * im;
      dragged[k + 1] = a * im + b * re;
    }
    fft.completeSpectrum(dragged);
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
      shape = make(level);
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

/** Sums of a trace up to each reading: of its squares, and of each reading times the next. */
export interface Sums {
  squares: Float64Array;
  neighbours: Float64Array;
}

export function sumsOf(volts: Float64Array): Sums {
  const squares = new Float64Array(volts.length + 1);
  const neighbours = new Float64Array(volts.length + 1);
  for (let k = 0; k < volts.length; k += 1) {
    squares[k + 1] = squares[k]! + volts[k]! ** 2;
    neighbours[k + 1] = neighbours[k]! + volts[k]! * (volts[k + 1] ?? 0);
  }
  return { squares, neighbours };
}

/** How much of a shape there is, best fit in least squares, and what is left then as a share of the trace there. */
export interface ShapeFit {
  size: number;
  misfit: number;
}

/**
 * Fits one shape at any centre over so many readings. Centres are tried by the hundred: what two of them have in common,
 * the shape laid over the trace at a whole reading and the sums of squares, is worked out once.
 */
export function fitter(
  volts: Float64Array,
  { squares, neighbours }: Sums,
  { values, middle }: Shape,
  count: number,
): (centre: number) => ShapeFit {
  const ownUpTo = new Float64Array(count + 1);
  for (let k = 0; k < count; k += 1) ownUpTo[k + 1] = ownUpTo[k]! + values[k]! ** 2;
  const overlap = (whole: number, from: number, to: number): number => {
    let sum = 0;
    for (let k = from; k < to; k += 1) sum += volts[whole + k]! * values[k]!;
    return sum;
  };
  // Centres are tried in a row: the shape lay over the trace at one of the two readings a moment ago.
  let [lastWhole, lastHere, lastNext] = [NaN, 0, 0];
  return (centre) => {
    const start = centre - middle;
    const whole = Math.floor(start);
    const part = start - whole;
    const from = Math.max(0, -whole);
    const to = Math.min(count, volts.length - 1 - whole);
    if (to <= from) return { size: 0, misfit: 1 };
    // At the ends of a trace less of the shape is laid over it, and nothing is in common with the centre before.
    const isWhole = from === 0 && to === count;
    if (!isWhole || whole !== lastWhole) {
      lastHere = isWhole && whole === lastWhole + 1 ? lastNext : overlap(whole, from, to);
      lastNext = overlap(whole + 1, from, to);
      lastWhole = isWhole ? whole : NaN;
    }
    const both = (1 - part) * lastHere + part * lastNext;
    const own = ownUpTo[to]! - ownUpTo[from]!;
    const [first, end] = [whole + from, whole + to];
    const all =
      (1 - part) ** 2 * (squares[end]! - squares[first]!) +
      2 * part * (1 - part) * (neighbours[end]! - neighbours[first]!) +
      part ** 2 * (squares[end + 1]! - squares[first + 1]!);
    return { size: both / own, misfit: all > 0 ? 1 - both ** 2 / (own * all) : 1 };
  };
}
