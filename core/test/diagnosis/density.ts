/** Logarithms of chances and of densities, in which a diagnosis reckons. */

/** Deviations of a normal figure to either side that hold nine tenths of it. */
export const ninetyPercent = 1.645;

const halfLogTwoPi = 0.5 * Math.log(2 * Math.PI);
const rootTwoPi = Math.sqrt(2 * Math.PI);

/** Middles of five parts of a normal spread that are alike likely. */
export const fifths = [-1.4, -0.53, 0, 0.53, 1.4];

/** Log-density of a normal figure. */
export const logNormal = (x: number, mean: number, spread: number): number => {
  const z = (x - mean) / spread;
  return -0.5 * z * z - Math.log(spread) - halfLogTwoPi;
};

/** Density of a normal figure, for many to be asked about. */
export function normal(mean: number, spread: number): (x: number) => number {
  const most = 1 / (spread * rootTwoPi);
  return (x) => {
    const z = (x - mean) / spread;
    return most * Math.exp(-0.5 * z * z);
  };
}

/** Log of a sum of chances that are given as logs. */
export function logSum(logs: readonly number[]): number {
  let most = -Infinity;
  for (const log of logs) if (log > most) most = log;
  if (most === -Infinity) return -Infinity;
  let sum = 0;
  for (const log of logs) sum += Math.exp(log - most);
  return most + Math.log(sum);
}

/** Log of the mix of two chances, the second of them with this share. */
export function logMix(first: number, second: number, shareOfSecond: number): number {
  const [one, other] = [first + Math.log(1 - shareOfSecond), second + Math.log(shareOfSecond)];
  const most = Math.max(one, other);
  return most === -Infinity ? -Infinity : most + Math.log1p(Math.exp(Math.min(one, other) - most));
}

/** So many spreads away a figure comes of being read wrong and of nothing else: what is left of a normal one is below 1e-14 of its most. */
const beyond = 8;

/** Density of a figure of which every so many-th is read wrong and lies anywhere in a range of this width. */
export function robust(x: number, mean: number, spread: number, wrongShare: number, width: number): number {
  const z = (x - mean) / spread;
  if (z > beyond || z < -beyond) return wrongShare / width;
  return ((1 - wrongShare) * Math.exp(-0.5 * z * z)) / (spread * rootTwoPi) + wrongShare / width;
}

/** Middles of so many parts of a range that are alike in ratio. */
export function ratioSteps(from: number, to: number, count: number): number[] {
  const [a, b] = [Math.log(from), Math.log(to)];
  return Array.from({ length: count }, (_, k) => Math.exp(a + ((k + 0.5) * (b - a)) / count));
}

/** What lies between steps, alike in ratio, of a figure that is worked out at the steps it is asked about. */
export function between(at: readonly number[], valueAt: (index: number) => number, x: number): number {
  const last = at.length - 1;
  if (x <= at[0]!) return valueAt(0);
  if (x >= at[last]!) return valueAt(last);
  const place = (last * Math.log(x / at[0]!)) / Math.log(at[last]! / at[0]!);
  const lower = Math.min(last - 1, Math.floor(place));
  const part = place - lower;
  return valueAt(lower) * (1 - part) + valueAt(lower + 1) * part;
}
