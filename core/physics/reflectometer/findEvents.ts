import { launchOf, type Launch } from './launch';
import { lightMPerNs, type Trace } from './line';
import { fitEcho } from './loss';
import { echoes, layerPeeling, without, type Peeled, type Reader } from './layerPeeling';
import { shapesOf, type Shapes } from './shapes';

/** Something that a trace tells of a line, in metres from the instrument. */
export interface LineEvent {
  kind: 'open' | 'short' | 'series' | 'shunt' | 'lower-impedance' | 'patch-end' | 'tap' | 'end';
  distanceM: number;
  /** Of a series or shunt fault its own resistance, of a patch or an end its impedance. */
  ohms?: number;
  /** Of a tap: how long a wave takes to the end of what hangs there and back, and how much its end sends back. */
  branch?: { thereAndBackNs: number; gamma: number };
  /** From 0 to 1: how far it stands out of the noise, and how well it fits. */
  confidence: number;
}

export interface Known {
  velocityFactor: number;
  impedanceOhms: number;
  /** One way, at the frequencies of the pulse. Told by the trace itself where it ends in an open or a short. */
  lossDbPer100m?: number | undefined;
}

const nepersPerDb = Math.LN10 / 20;

/** An echo smaller than this share of the pulse is not looked for: cables are no more even than that. Policy. */
const detectionThreshold = 0.008;

/** A middle value needs no more than every so many readings. */
const everyNth = 4;

/** How much the readings jump about, by the middle of their steps; a lone echo does not move it. */
function noiseOf(volts: Float64Array, from: number): number {
  const steps = new Float64Array(Math.floor((volts.length - from - 1) / everyNth));
  for (let k = 0; k < steps.length; k += 1)
    steps[k] = Math.abs(volts[from + k * everyNth + 1]! - volts[from + k * everyNth]!);
  steps.sort();
  return (steps[Math.floor(steps.length / 2)] ?? 0) / (0.6745 * Math.SQRT2);
}

/** The slow part of a trace: what an even resistance sends back all along, and the instrument's own slope. */
function slopeOf(volts: Float64Array, from: number, widthSteps: number): Float64Array {
  const block = Math.max(128, widthSteps * 60);
  // What is left at the end joins the part before it: its own middle value would be that of an echo which lies there.
  const count = Math.max(1, Math.round((volts.length - from) / block));
  const knots = Array.from({ length: count }, (_, index) => {
    const start = from + index * block;
    const length = index === count - 1 ? volts.length - start : block;
    const part = new Float64Array(Math.ceil(length / everyNth));
    for (let k = 0; k < part.length; k += 1) part[k] = volts[start + k * everyNth]!;
    part.sort();
    return { at: start + length / 2, value: part[Math.floor(part.length / 2)]! };
  });
  const out = new Float64Array(volts.length);
  let knot = 0;
  for (let k = from; k < volts.length; k += 1) {
    while (knot < knots.length - 2 && knots[knot + 1]!.at < k) knot += 1;
    const [a, b] = [knots[knot]!, knots[Math.min(knot + 1, knots.length - 1)]!];
    const share = b.at === a.at ? 0 : Math.max(0, Math.min(1, (k - a.at) / (b.at - a.at)));
    out[k] = a.value + share * (b.value - a.value);
  }
  return out;
}

/** The largest echo of a trace: the reading where it is highest. */
function largest(volts: Float64Array, from: number): number {
  let at = from;
  for (let k = from; k < volts.length; k += 1) if (Math.abs(volts[k]!) > Math.abs(volts[at]!)) at = k;
  return at;
}

/** The most that the resistance of any coax in use takes evenly, nepers for a metre there and back: some 0.3 Ω/m in 75 Ω. */
const mostEvenPerM = 0.0037;

/**
 * The even loss at which something on the line would send back everything: the largest echo for which that is a loss that
 * a cable can have. `null` where there is none, and so perhaps no open or short end.
 */
function lossToEnd(lineElements: readonly Peeled[], mPerNs: number): number | null {
  let before = 1;
  const candidates = lineElements.map(({ echo, node }) => {
    const whole = before > 0 ? Math.abs(echo) / before : 0;
    before *= node.throughBoth;
    return { size: Math.abs(echo), whole, perNs: -Math.log(Math.max(1e-9, whole)) / node.timeNs };
  });
  const end = candidates
    .sort((a, b) => b.size - a.size)
    .find(({ whole, perNs }) => whole <= 1.15 && perNs / mPerNs < mostEvenPerM);
  return end ? Math.max(0, end.perNs) : null;
}

/** A drop and a rise farther apart are two faults rather than a piece of other cable. Policy. */
const longestPatchM = 25;

/** An even loss that was tried, and the one that the end then asked for. */
interface Tried {
  tried: number;
  asks: number;
}

/**
 * The next loss to try: where what is tried and what is asked should meet, by a line through the last two. The more is tried
 * the less is asked, so that taking what is asked would swing to and fro; the first step goes half the way.
 */
function between(before: Tried | null, { tried, asks }: Tried): number {
  const slope = before && before.tried !== tried ? (asks - before.asks) / (tried - before.tried) : -1;
  const meets = tried + (asks - tried) / (1 - Math.min(0, slope));
  return Math.max(0, Math.min(Math.max(tried, asks), Math.max(Math.min(tried, asks), meets)));
}

interface Read {
  lineElements: Peeled[];
  reader: Reader;
  /** How dragged out the largest echo is, where it has the shape of one. */
  drag?: number | undefined;
}
interface Setting {
  launch: Launch;
  shapes: Shapes;
  stepNs: number;
  after: number;
  widthSteps: number;
  mPerNs: number;
  lossDbPer100m: number | undefined;
  startPerNs?: number;
  /** How dragged out the largest echo was found to be before. */
  knownDrag?: number;
}

/** Reads a trace that has no slope any more: how the line drags a pulse out, what it takes, and what stands on it. */
function read(
  volts: Float64Array,
  { launch, shapes, stepNs, after, widthSteps, mPerNs, lossDbPer100m, startPerNs, knownDrag }: Setting,
): Read {
  const sigma = noiseOf(volts, after);
  // How much the line drags a pulse out is told best by its largest echo.
  const top = largest(volts, after);
  const largestEcho =
    Math.abs(volts[top]!) > Math.max(3 * detectionThreshold, 8 * sigma)
      ? fitEcho(volts, shapes, top, launch.centreNs / stepNs, stepNs, widthSteps, knownDrag)
      : null;
  const clear = largestEcho && largestEcho.timeNs > 0 && largestEcho.misfit < 0.2 ? largestEcho : null;
  const dragPerNs = clear ? clear.skinDispersion / clear.timeNs : 0;
  const drag = clear?.skinDispersion;
  // A loss that is given is the whole of it at the pulse's own frequencies; the dragging is part of that.
  const pulseRootMHz = Math.sqrt(350 / launch.widthNs);
  const evenPerNs =
    lossDbPer100m === undefined
      ? 0
      : Math.max(0, (2 * lossDbPer100m * nepersPerDb * mPerNs) / 100 - dragPerNs * pulseRootMHz);
  const settle = (longestPatchNs: number): Read => {
    let reader: Reader = {
      launch,
      shapes,
      sigma,
      detectionThreshold,
      longestPatchNs,
      loss: { evenPerNs: startPerNs ?? evenPerNs, dragPerNs },
    };
    let lineElements = layerPeeling({ stepNs, volts }, reader);
    // A few rounds: a higher loss makes the things before the end larger, and so less of it the loss's.
    let before: Tried | null = null;
    for (let round = 0; round < 3 && lossDbPer100m === undefined; round += 1) {
      const asks = lossToEnd(lineElements, mPerNs);
      const tried = reader.loss.evenPerNs;
      if (asks === null || Math.abs(asks - tried) < 2e-5) break;
      const now: Tried = { tried, asks };
      reader = { ...reader, loss: { evenPerNs: between(before, now), dragPerNs } };
      before = now;
      lineElements = layerPeeling({ stepNs, volts }, reader);
    }
    return { lineElements, reader, drag };
  };
  const withPatches = settle(longestPatchM / mPerNs);
  if (!withPatches.lineElements.some(({ kind }) => kind === 'step-down')) return withPatches;
  // A drop and a rise may be two faults as well. What needs fewer things to explain the trace is what stands there.
  const withoutPatches = settle(0);
  const countOf = ({ lineElements }: Read): number =>
    lineElements.filter(({ kind }) => kind !== 'step-up').length;
  return countOf(withoutPatches) < countOf(withPatches) ? withoutPatches : withPatches;
}

const confidenceOf = ({ snr }: Peeled): number => Math.round((1 - Math.exp(-snr / 3)) * 100) / 100;

/**
 * What stands on a line, by its echoes. Distances by d = vf·c·t/2; resistances by ρ = R/(R + 2Z) for series and
 * ρ = −Z/(2R + Z) for shunt faults, ρ = (Z₂ − Z)/(Z₂ + Z) for steps, each corrected for the loss on the way and for what
 * stands before it. What a short branch's end sends back belongs to the tap that it hangs on.
 */
export function findEvents(
  trace: Trace,
  { velocityFactor, impedanceOhms, lossDbPer100m }: Known,
): LineEvent[] {
  const launch = launchOf(trace);
  if (!launch) return [];
  const mPerNs = (velocityFactor * lightMPerNs) / 2;
  const widthSteps = Math.ceil(launch.widthNs / trace.stepNs);
  const after = Math.ceil(launch.centreNs / trace.stepNs) + Math.ceil(launch.shape.length / 2);
  if (after >= trace.volts.length - 2) return [];
  const scaled = trace.volts.map((value, k) => (k < after ? 0 : value / launch.volts));
  const setting: Setting = {
    launch,
    shapes: shapesOf(launch, trace.stepNs),
    stepNs: trace.stepNs,
    after,
    widthSteps,
    mPerNs,
    lossDbPer100m,
  };
  const first = read(without(scaled, slopeOf(scaled, after, widthSteps)), setting);
  // The tails of large echoes are slow, too. Once they are known they are no part of the slope any more.
  const { volts: explained } = echoes(
    first.lineElements.map(({ node }) => node),
    first.reader,
    trace.stepNs,
    scaled.length,
  );
  const { lineElements } = read(without(scaled, slopeOf(without(scaled, explained), after, widthSteps)), {
    ...setting,
    startPerNs: first.reader.loss.evenPerNs,
    ...(first.drag !== undefined && { knownDrag: first.drag }),
  });
  return lineElements.flatMap((element, index): LineEvent[] => {
    const {
      kind,
      node: { timeNs, rho, stub },
    } = element;
    const common = { distanceM: timeNs * mPerNs, confidence: confidenceOf(element) };
    const isLast = index === lineElements.length - 1;
    switch (kind) {
      case 'step-up':
        return [{ kind: 'patch-end', ...common }];
      case 'step-down':
        return [{ kind: 'lower-impedance', ...common, ohms: (impedanceOhms * (1 + rho)) / (1 - rho) }];
      case 'tap':
        return [
          {
            kind: 'tap',
            ...common,
            ...(stub && { branch: { thereAndBackNs: stub.timeNs, gamma: stub.gamma } }),
          },
        ];
      case 'end':
        return [{ kind: rho > 0 ? 'open' : 'short', ...common }];
      case 'series':
        return [
          isLast && rho > 0.5
            ? { kind: 'end', ...common, ohms: (impedanceOhms * (1 + rho)) / (1 - rho) }
            : { kind: 'series', ...common, ohms: (2 * impedanceOhms * rho) / (1 - rho) },
        ];
      case 'shunt':
        return [
          isLast && rho < -0.5
            ? { kind: 'end', ...common, ohms: (impedanceOhms * (1 + rho)) / (1 - rho) }
            : { kind: 'shunt', ...common, ohms: (-impedanceOhms * (1 + rho)) / (2 * rho) },
        ];
    }
  });
}
