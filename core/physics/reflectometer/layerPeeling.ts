import { arrivals, type Node } from './arrivals';
import type { Launch } from './launch';
import type { Trace } from './line';
import type { Loss } from './loss';
import { fitAt, type Shape, type Shapes } from './shapes';

/** What stands on a line as it is peeled: a node, how large its own echo is in the trace, and how sure that is. */
export interface Peeled {
  node: Node;
  kind: 'series' | 'shunt' | 'end' | 'step-down' | 'step-up' | 'tap';
  echo: number;
  snr: number;
}

/** What a trace is read with: the pulse in all its shapes, what the line takes from it, how much its readings jump about, and how small an echo is worth a word. */
export interface Reader {
  launch: Launch;
  shapes: Shapes;
  loss: Loss;
  sigma: number;
  detectionThreshold: number;
  longestPatchNs: number;
}

const keptAfter =
  ({ evenPerNs }: Loss) =>
  (timeNs: number): number =>
    Math.exp(-evenPerNs * timeNs);

/** An echo this large, once put right for what stands before it, is an end: everything comes back. */
const endFrom = 0.8;

/** A branch is often of thinner cable than the line: its end sends back less than all. */
const stubEndFrom = 0.6;

/** What a branch's end sends back, by its echo there: two thirds go in and two thirds of that come out. Almost all is all. */
const stubEnd = (gamma: number): number => (Math.abs(gamma) > 0.9 ? Math.sign(gamma) : gamma);

const seriesNode = (timeNs: number, rho: number): Node => ({
  timeNs,
  rho,
  rhoBeyond: rho,
  throughBoth: (1 - Math.abs(rho)) ** 2,
});
const stepNode = (timeNs: number, rho: number): Node => ({
  timeNs,
  rho,
  rhoBeyond: -rho,
  throughBoth: 1 - rho ** 2,
});
const endNode = (timeNs: number, rho: number): Node => ({ timeNs, rho, rhoBeyond: 0, throughBoth: 0 });
const tapNode = (timeNs: number, stub: NonNullable<Node['stub']>): Node => ({
  timeNs,
  rho: -1 / 3,
  rhoBeyond: -1 / 3,
  throughBoth: 4 / 9,
  stub,
});

/** The echoes of these nodes as they would stand in the trace. */
export function echoes(
  nodes: readonly Node[],
  { launch, shapes, loss, detectionThreshold }: Reader,
  stepNs: number,
  count: number,
): { volts: Float64Array; maskingLevel: Float64Array } {
  const volts = new Float64Array(count);
  /** How much of the trace is within reach of a large echo, where a small misfit of it is no event. */
  const maskingLevel = new Float64Array(count);
  for (const { timeNs, size } of arrivals(nodes, keptAfter(loss), detectionThreshold / 8, stepNs * count)) {
    const skinDispersion = loss.dragPerNs * timeNs;
    // A small echo need not have its very shape.
    const {
      values,
      middle,
      count: reach,
      peak,
    } = Math.abs(size) > 0.1 ? shapes.exact(skinDispersion) : shapes.near(skinDispersion);
    const start = (launch.centreNs + timeNs) / stepNs - middle;
    const whole = Math.floor(start);
    const part = start - whole;
    // The long tail of a small echo is smaller than anything that is looked for.
    const until = Math.abs(size) < 0.03 ? Math.min(values.length, 4 * reach) : values.length;
    for (let k = Math.max(0, -whole); k < until && whole + k < count; k += 1) {
      volts[whole + k] = volts[whole + k]! + size * ((1 - part) * values[k]! + part * (values[k - 1] ?? 0));
      maskingLevel[whole + k] = Math.max(
        maskingLevel[whole + k]!,
        Math.abs(size) * (k < reach * 1.2 ? 1 : (3 * Math.abs(values[k]!)) / peak),
      );
    }
  }
  return { volts, maskingLevel: maskingLevel };
}

/** A trace without what is explained of it. A plain loop: it is gone through for every thing on the line. */
export function without(volts: Float64Array, explained: Float64Array): Float64Array {
  const rest = new Float64Array(volts.length);
  for (let k = 0; k < rest.length; k += 1) rest[k] = volts[k]! - explained[k]!;
  return rest;
}

/** How small an echo may be to be told from noise where the pulse has this shape: its own noise, and the evenness of cables. */
const leastOf = ({ detectionThreshold, sigma }: Reader, { energy }: Shape): number =>
  Math.max(detectionThreshold, (6.5 * sigma) / Math.sqrt(energy));

/** The top of a hill between readings, by a parabola through three of them. */
function topOf([a, b, c]: [number, number, number], at: number): { at: number; value: number } {
  const curve = a - 2 * b + c;
  const shift = curve === 0 ? 0 : Math.max(-0.5, Math.min(0.5, (a - c) / (2 * curve)));
  return { at: at + shift, value: b - ((a - c) * shift) / 4 };
}

/** How much of a large echo may be left over by a shape that is not quite its own. */
const misfitShare = 0.07;

interface Noticed {
  timeNs: number;
  echo: number;
  snr: number;
}

/** The first echo that stands out after `fromNs`, is not explained yet, and is not to be passed over. */
function firstEcho(
  rest: Float64Array,
  maskingLevel: Float64Array,
  reader: Reader,
  stepNs: number,
  fromNs: number,
  passOver: (timeNs: number, echo: number) => boolean = () => false,
): Noticed | null {
  const { launch, shapes, loss } = reader;
  const start = Math.max(1, Math.ceil((launch.centreNs + fromNs) / stepNs));
  const shapeOf = (k: number): Shape =>
    shapes.near(loss.dragPerNs * Math.max(0, k * stepNs - launch.centreNs));
  /** The pulse laid over the trace, only as far as it is looked at. */
  const known = new Float64Array(rest.length).fill(NaN);
  const fit = (k: number): number => {
    if (Number.isNaN(known[k]!)) known[k] = fitAt(rest, shapeOf(k), k);
    return known[k]!;
  };
  const stands = (k: number): boolean =>
    Math.abs(fit(k)) > leastOf(reader, shapeOf(k)) + misfitShare * maskingLevel[k]!;
  // A hill is some steps wide; looking at a few of them finds it.
  const stride = Math.max(1, Math.floor(launch.widthNs / stepNs / 4));
  for (let k = start; k < rest.length - 2; k += stride) {
    if (!stands(k)) continue;
    // What rises first may be the edge of something larger right behind it.
    let top = k;
    for (let look = k; look <= Math.min(rest.length - 3, top + shapeOf(k).widthSteps); look += 1)
      if (Math.abs(fit(look)) > Math.abs(fit(top))) top = look;
    if (!stands(top)) continue;
    const { at, value } = topOf([fit(top - 1), fit(top), fit(top + 1)], top);
    if (passOver(at * stepNs - launch.centreNs, value)) {
      k = Math.max(k, top);
      continue;
    }
    return {
      timeNs: at * stepNs - launch.centreNs,
      echo: value,
      snr: Math.abs(value) / leastOf(reader, shapeOf(top)),
    };
  }
  return null;
}

/** What a wave has left of itself there and back, when it has passed these nodes. */
const passed = (nodes: readonly Node[]): number => nodes.reduce((so, { throughBoth }) => so * throughBoth, 1);

/** Whether a rise right behind a drop is the other side of one patch of lower impedance: drop r, rise r seen through it. */
function isPatch(drop: Peeled, rise: number): boolean {
  const r = -drop.node.rho;
  return drop.kind === 'shunt' && r < 0.45 && Math.abs(rise - r) < 0.3 * r;
}

/**
 * Whether an echo is what a branch still sends back after its first: a wave runs to and fro in it, a third of it each time,
 * and what the model of that leaves over is no thing on the line.
 */
function isRinging(
  { kind, node: { timeNs: from, stub } }: Peeled,
  timeNs: number,
  size: number,
  widthNs: number,
): boolean {
  if (kind !== 'tap' || !stub) return false;
  const turn = Math.round((timeNs - from) / stub.timeNs);
  const most = turn === 1 ? 0.3 : 0.8 ** (turn - 1);
  return (
    turn >= 1 &&
    Math.abs(timeNs - from - turn * stub.timeNs) < 1.2 * widthNs &&
    Math.abs(size) < (4 / 9) * most
  );
}

/** More things than these on one line are not told apart by one trace. */
const mostThings = 9;

/**
 * Reads a trace from the near end outwards. Each echo that is not yet explained is a new thing on the line; what it and
 * those before it send to and fro is taken out of the trace before the next is looked for.
 */
export function layerPeeling({ stepNs, volts }: Trace, reader: Reader): Peeled[] {
  const { launch, loss } = reader;
  const lineElements: Peeled[] = [];
  const nodes = () => lineElements.map(({ node }) => node);
  const attenuation = keptAfter(loss);
  for (let turn = 0; turn < mostThings; turn += 1) {
    const { volts: explained, maskingLevel: blind } = echoes(nodes(), reader, stepNs, volts.length);
    const rest = without(volts, explained);
    const last = lineElements.at(-1);
    const isOfBranch = (at: number, size: number): boolean =>
      lineElements.some((thing) =>
        isRinging(
          thing,
          at,
          size / attenuation(at) / passed(nodes().filter((node) => node.timeNs < thing.node.timeNs)),
          launch.widthNs,
        ),
      );
    const found = firstEcho(
      rest,
      blind,
      reader,
      stepNs,
      (last?.node.timeNs ?? 0) + launch.widthNs * 1.2,
      isOfBranch,
    );
    if (!found) break;
    const { timeNs, echo, snr } = found;
    const alone = echo / attenuation(timeNs);
    if (last && echo > 0 && timeNs - last.node.timeNs < reader.longestPatchNs) {
      const throughPatch = alone / (passed(nodes().slice(0, -1)) * (1 - last.node.rho ** 2));
      if (isPatch(last, throughPatch)) {
        const r = (throughPatch - last.node.rho) / 2;
        lineElements[lineElements.length - 1] = {
          ...last,
          kind: 'step-down',
          node: stepNode(last.node.timeNs, -r),
        };
        lineElements.push({ kind: 'step-up', node: stepNode(timeNs, r), echo, snr });
        continue;
      }
    }
    const rho = Math.max(-1, Math.min(1, alone / passed(nodes())));
    const isEnd = Math.abs(rho) >= endFrom;
    const thing: Peeled = {
      kind: isEnd ? 'end' : rho > 0 ? 'series' : 'shunt',
      node: isEnd ? endNode(timeNs, rho) : seriesNode(timeNs, rho),
      echo,
      snr,
    };
    const afterThird = last?.kind === 'shunt' && Math.abs(last.node.rho + 1 / 3) < 0.07;
    if (!isEnd && !(afterThird && Math.abs(rho) >= stubEndFrom)) {
      lineElements.push(thing);
      continue;
    }
    // Behind a thing that takes a third, an end can be that of the line or of a branch that hangs there: of a branch
    // where the line goes on beyond and sends back as much again.
    const asTap: Peeled | null =
      last && afterThird
        ? {
            ...last,
            kind: 'tap',
            node: tapNode(last.node.timeNs, {
              timeNs: timeNs - last.node.timeNs,
              gamma: stubEnd(alone / (passed(nodes().slice(0, -1)) * (4 / 9))),
            }),
          }
        : null;
    if (asTap) {
      const tapped = [...lineElements.slice(0, -1), asTap];
      const { volts: both, maskingLevel: around } = echoes(
        tapped.map(({ node }) => node),
        reader,
        stepNs,
        volts.length,
      );
      const beyond = firstEcho(
        without(volts, both),
        around,
        { ...reader, detectionThreshold: 0.25 * Math.abs(echo) },
        stepNs,
        timeNs + launch.widthNs * 1.2,
      );
      if (beyond) {
        lineElements.splice(0, lineElements.length, ...tapped);
        continue;
      }
    }
    lineElements.push(thing);
    if (isEnd) break;
  }
  return lineElements;
}
