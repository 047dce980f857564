import {
  cableOf,
  coaxCables,
  coaxLoopOhms,
  conductorAreaMm2,
  conductorOhms,
  pairCables,
  powerCable,
  powerCables,
  type Conductor,
} from '#core/physics/cable';
import { runLengthM, type QuantityReading, type Run, type Segment } from '#core/model/site';
import { faultsOf, type RunEvent } from './traceEvents';

/** What would explain a loop reading. */
export interface LoopCause {
  kind: 'as-noted' | 'other-cable' | 'joint' | 'length' | 'other-cable-and-joint';
  /** The construction that is there instead of the one noted. */
  cable?: { id: string; label: string; material: Conductor['material'] };
  probability: number;
  /** What it leaves to a joint. */
  excessOhms: number;
  /** How long the run would be. */
  lengthM?: number;
}

/** One stretch of a loop: what it has as noted, and what it would have as another construction. */
export interface LoopPart {
  /** The construction as it is noted. */
  noted: string;
  ohms: number;
  /** One standard deviation of its length, in ohms. */
  lengthOhms: number;
  others: { id: string; label: string; material: Conductor['material']; ohms: number; share: number }[];
}

export interface LoopQuestion {
  parts: LoopPart[];
  lengthM: number;
  /** Whether the lengths were measured, so that a wrong one is unlikely. */
  lengthMeasured: boolean;
  /** Chance that some joint of the run is poor, before anything is read. */
  poorJoint: number;
  /** What a reflectometer saw, where one was used. */
  trace?: { seriesOhms: number; endM: number | null } | undefined;
}

/** How far a sound cable may lie from its table, and a good meter from the truth. Policy and meter data. */
const constructionShare = 0.03;
const meterShare = 0.005;
const meterOhms = 0.1;

/** Spread of a loop that should read `ohms`: length, construction and meter, as independent errors. One standard deviation. */
export function spreadOhms(ohms: number, lengthVariance: number): number {
  return Math.sqrt(lengthVariance + (constructionShare * ohms) ** 2 + (meterShare * ohms + meterOhms) ** 2);
}

const normal = (x: number, mean: number, sigma: number): number =>
  Math.exp(-0.5 * ((x - mean) / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));

/** Ohms of a poor joint: most are a few, some dozens. Judgement of practice. */
const jointDensity = (ohms: number): number =>
  ohms < 0 ? 0 : (0.7 / 3) * Math.exp(-ohms / 3) + (0.3 / 20) * Math.exp(-ohms / 20);

/** A reflectometer tells a series resistance to about so much, and sees none below the second. Typical. */
const seriesSpread = (ohms: number): number => 0.8 + 0.2 * ohms;
const leastSeenOhms = 1.5;

/** Density of the excess that a joint makes, once a trace has shown it or shown none. */
function excessDensity(trace: LoopQuestion['trace']): (ohms: number) => number {
  if (!trace) return jointDensity;
  if (trace.seriesOhms > 0) return (ohms) => normal(ohms, trace.seriesOhms, seriesSpread(trace.seriesOhms));
  return (ohms) => (ohms < 0 ? 0 : Math.exp(-ohms / (leastSeenOhms / 2)) / (leastSeenOhms / 2));
}

const noiseSteps = Array.from({ length: 25 }, (_, k) => (k - 12) / 4);
const noiseWeight = noiseSteps.reduce((sum, z) => sum + Math.exp(-0.5 * z * z), 0);

/** Density of a reading that is a loop, blurred by its spread, and an excess besides. */
function withExcess(reading: number, ohms: number, sigma: number, density: (ohms: number) => number): number {
  return (
    noiseSteps.reduce((sum, z) => sum + Math.exp(-0.5 * z * z) * density(reading - ohms - z * sigma), 0) /
    noiseWeight
  );
}

/** A length that was drawn or guessed may be wrong by this share, and one a trace shows by the second. Judgement. */
const wrongLengthShare = 0.15;
const tracedLengthShare = 0.02;

/**
 * What a loop reading tells of the run: every explanation with its probability, the likeliest first.
 * Source: Bayes' rule, posterior ∝ prior × density of the reading under the explanation, with a normal spread for
 * length, construction and meter, and a long-tailed one for what a poor joint adds.
 */
export function inferLoop(
  reading: number,
  { parts, lengthM, lengthMeasured, poorJoint, trace }: LoopQuestion,
): LoopCause[] {
  const notedOhms = parts.reduce((sum, { ohms }) => sum + ohms, 0);
  const lengthVariance = parts.reduce((sum, { lengthOhms }) => sum + lengthOhms ** 2, 0);
  const density = excessDensity(trace);
  // A trace that shows a series resistance has found the joint; one that shows none leaves only what it cannot see.
  const joint = trace && trace.seriesOhms > 0 ? Math.max(poorJoint, 0.6) : poorJoint;
  const otherShare = parts.reduce(
    (sum, { others }) => sum + others.reduce((all, { share }) => all + share, 0),
    0,
  );
  const wrongLength = lengthMeasured ? 0.02 : 0.1;
  const sound = Math.max(0.05, 1 - otherShare);
  const tracedM = trace?.endM ?? null;
  const lengthFactor = tracedM === null ? 1 : tracedM / lengthM;
  const lengthOhms = notedOhms * (tracedM === null ? wrongLengthShare : tracedLengthShare);
  const longer = notedOhms > 0 ? reading / notedOhms : 1;

  /** A joint whose ohms drown in the spread is no poor joint: its belief goes to the cable alone. */
  const withJoint = (ohms: number, sigma: number, prior: number): { cable: number; joint: number } => {
    const weight = prior * withExcess(reading, ohms, sigma, density);
    return reading - ohms < sigma ? { cable: weight, joint: 0 } : { cable: 0, joint: weight };
  };
  const notedSigma = spreadOhms(notedOhms, lengthVariance);
  const noted = withJoint(notedOhms, notedSigma, sound * joint * (1 - wrongLength));
  const causes: (Omit<LoopCause, 'probability'> & { weight: number })[] = [
    {
      kind: 'as-noted',
      excessOhms: 0,
      weight: sound * (1 - joint) * (1 - wrongLength) * normal(reading, notedOhms, notedSigma) + noted.cable,
    },
    { kind: 'joint', excessOhms: reading - notedOhms, weight: noted.joint },
    {
      kind: 'length',
      excessOhms: 0,
      lengthM: tracedM ?? lengthM * longer,
      weight:
        sound *
        (1 - joint) *
        wrongLength *
        normal(reading, notedOhms * lengthFactor, spreadOhms(notedOhms * lengthFactor, lengthOhms ** 2)),
    },
  ];
  for (const part of parts) {
    for (const other of part.others) {
      const ohms = notedOhms - part.ohms + other.ohms;
      const variance =
        lengthVariance -
        part.lengthOhms ** 2 +
        (part.ohms > 0 ? (part.lengthOhms * other.ohms) / part.ohms : 0) ** 2;
      const sigma = spreadOhms(ohms, variance);
      const cable = { id: other.id, label: other.label, material: other.material };
      const prior = other.share * (1 - wrongLength);
      const split = withJoint(ohms, sigma, prior * joint);
      causes.push(
        {
          kind: 'other-cable',
          cable,
          excessOhms: 0,
          weight: prior * (1 - joint) * normal(reading, ohms, sigma) + split.cable,
        },
        { kind: 'other-cable-and-joint', cable, excessOhms: reading - ohms, weight: split.joint },
      );
    }
  }
  const total = causes.reduce((sum, { weight }) => sum + weight, 0);
  // Nothing that is known explains the reading: then nothing is claimed.
  if (!(total > leastDensity)) return [];
  return causes
    .map(({ weight, ...cause }) => ({ ...cause, probability: weight / total }))
    .sort((a, b) => b.probability - a.probability);
}

/** A reading less likely than this under everything that is known is not explained by the likeliest of it. Policy. */
const leastDensity = 1e-8;

/** How much of the belief goes to cables that were not noted. A print that was read leaves less. Judgement. */
const otherCables = (printRead: boolean): number => (printRead ? 0.08 : 0.2);

const familyOf = (id: string): string => id.split('-')[1] ?? id;

/** Coax of the same type by another construction, by the one that is noted. */
const kinOf = new Map(
  coaxCables.map(({ id }) => [
    id,
    coaxCables.filter((other) => other.id !== id && familyOf(other.id) === familyOf(id)),
  ]),
);

function coaxPart(segment: Segment, atC: number): LoopPart | undefined {
  const noted = cableOf(segment);
  if (noted.kind !== 'coax') return undefined;
  const ohms = coaxLoopOhms(noted, segment.lengthM, atC);
  // A cable that is known by its sheet is not easily another one; its kin are those of the row it is nearest to.
  const kin = kinOf.get(segment.cable) ?? [];
  const share = kin.length > 0 ? otherCables(segment.print !== undefined) / kin.length : 0;
  return {
    noted: segment.cable,
    ohms,
    lengthOhms: (ohms * segment.spreadM) / segment.lengthM,
    others: kin.map((cable) => ({
      id: cable.id,
      label: cable.label,
      material: cable.centre.material,
      ohms: coaxLoopOhms(cable, segment.lengthM, atC),
      share,
    })),
  };
}

const easyToSpoil = new Set<Segment['joint']>(['twist-on', 'screw-terminal', 'coupler', 'splitter']);

/** Chance of a poor joint: every run has ends, some have joints that spoil, and salt or wet spoils them sooner. Judgement. */
function poorJointChance(run: Run): number {
  const spoils = run.segments.some(({ joint }) => easyToSpoil.has(joint)) ? 0.12 : 0;
  const wet = run.segments.some(
    ({ environment }) => environment === 'marine' || environment === 'underground',
  )
    ? 0.06
    : 0;
  return 0.06 + spoils + wet;
}

const measured = (run: Run): boolean =>
  run.segments.every(({ lengthFrom }) => lengthFrom === 'jacket-marks' || lengthFrom === 'reflectometer');

/** What a trace says about a loop: series ohms on the way, and where the run ends. */
function traceFor(events: readonly RunEvent[] | undefined): LoopQuestion['trace'] {
  if (!events) return undefined;
  const seriesOhms = faultsOf(events).reduce(
    (sum, { kind, ohms }) => sum + (kind === 'series' ? (ohms ?? 0) : 0),
    0,
  );
  const last = events.at(-1);
  return {
    seriesOhms,
    endM: last && (last.kind === 'open' || last.kind === 'short' || last.kind === 'end') ? last.atM : null,
  };
}

const coaxParts = (run: Run, atC?: number): LoopPart[] =>
  run.segments.flatMap((segment) => coaxPart(segment, atC ?? segment.temperatureC) ?? []);

/** Explanations of a coax loop reading. `events` are those of a trace of the same run. */
export function inferCoaxLoop(run: Run, reading: QuantityReading, events?: readonly RunEvent[]): LoopCause[] {
  return inferLoop(reading.value, {
    parts: coaxParts(run, reading.temperatureC),
    lengthM: runLengthM(run),
    lengthMeasured: measured(run),
    poorJoint: poorJointChance(run),
    trace: traceFor(events),
  });
}

/** How much of the belief goes to cores of the same gauge and another metal, and to other gauges. Judgement. */
const otherMetal = 0.12;
const otherGauge = 0.08;

/** Cores as noted, and the others of which as many lie in one jacket. */
interface Cores {
  id: string;
  label: string;
  conductor: Conductor;
}

function powerPart(
  id: string,
  noted: Conductor,
  kin: readonly Cores[],
  perCore: number,
  { lengthM, spreadM }: Pick<Segment, 'lengthM' | 'spreadM'>,
  atC: number,
): LoopPart {
  const ohmsOf = (conductor: Conductor): number => conductorOhms(conductor, lengthM, atC) * perCore;
  const ohms = ohmsOf(noted);
  const sameGauge = (conductor: Conductor): boolean =>
    Math.abs(conductorAreaMm2(conductor) / conductorAreaMm2(noted) - 1) < 0.05;
  // Another name for the same cores explains nothing.
  const others = kin.filter(
    ({ conductor }) => conductor.material !== noted.material || !sameGauge(conductor),
  );
  const likeCount = others.filter(({ conductor }) => sameGauge(conductor)).length;
  const shareOf = (conductor: Conductor): number =>
    sameGauge(conductor) ? otherMetal / likeCount : otherGauge / (others.length - likeCount);
  return {
    noted: id,
    ohms,
    lengthOhms: (ohms * spreadM) / lengthM,
    others: others.map(({ id, label, conductor }) => ({
      id,
      label,
      material: conductor.material,
      ohms: ohmsOf(conductor),
      share: shareOf(conductor),
    })),
  };
}

function coresPart(
  cable: string,
  cores: { outCores: number; backCores: number },
  length: Pick<Segment, 'lengthM' | 'spreadM'>,
  atC: number,
): LoopPart {
  const noted = powerCable(cable);
  return powerPart(
    noted.id,
    noted.conductor,
    powerCables.filter(({ id, cores: count }) => id !== noted.id && count === noted.cores),
    1 / cores.outCores + 1 / cores.backCores,
    length,
    atC,
  );
}

function legPart(segment: Segment, atC: number | undefined): LoopPart[] {
  const { leg, cable, temperatureC, ...length } = segment;
  switch (leg.kind) {
    case 'none':
      return [];
    case 'cores':
      return [coresPart(leg.cable, leg, length, atC ?? temperatureC)];
    case 'spare-pairs': {
      const noted = cableOf(segment);
      if (noted.kind !== 'pair') return [];
      return [
        powerPart(
          cable,
          noted.conductor,
          pairCables.filter(({ id }) => id !== cable),
          1 / leg.outCores + 1 / leg.backCores,
          length,
          atC ?? temperatureC,
        ),
      ];
    }
  }
}

function powerParts(run: Run, atC?: number): LoopPart[] {
  const { feed, segments } = run;
  return feed.kind === 'separate-pair'
    ? [
        coresPart(
          feed.cable,
          feed,
          { lengthM: feed.lengthM, spreadM: 0.02 * feed.lengthM },
          atC ?? feed.temperatureC,
        ),
      ]
    : segments.flatMap((segment) => legPart(segment, atC));
}

/** Explanations of a power loop reading. */
export function inferPowerLoop(run: Run, reading: QuantityReading): LoopCause[] {
  const isOwn = run.feed.kind === 'separate-pair';
  return inferLoop(reading.value, {
    parts: powerParts(run, reading.temperatureC),
    lengthM: run.feed.kind === 'separate-pair' ? run.feed.lengthM : runLengthM(run),
    lengthMeasured: !isOwn && measured(run),
    poorJoint: poorJointChance(run),
  });
}

/** A loop as it would be if stretches that are noted as one construction were another, and how likely that one is among all. */
export interface OtherLoop {
  ohms: number;
  /** How much of it comes from the other construction. */
  excessOhms: number;
  share: number;
}

/** Most often all of a construction is another than noted, else some of its stretches that follow each other. Judgement. */
const wholeShare = 0.6;

/** Stretches that follow each other: every choice of them but all. */
function stretches(count: number): [from: number, to: number][] {
  return Array.from({ length: count }, (_, from) => from).flatMap((from) =>
    Array.from({ length: count - from }, (_, k): [number, number] => [from, from + k + 1]).filter(
      ([start, end]) => end - start < count,
    ),
  );
}

/** A construction of more than so many times the ohms, or of so much less, is hardly taken for the noted one. Judgement. */
const farRatio = 1.9;
const timesApart = (a: number, b: number): number => (a > b ? a / b : b / a);

function otherLoops(parts: readonly LoopPart[]): OtherLoop[] {
  const all = parts.reduce((sum, { ohms }) => sum + ohms, 0);
  const loops = [...new Set(parts.map(({ noted }) => noted))].flatMap((noted): OtherLoop[] => {
    const alike = parts.filter((part) => part.noted === noted);
    const some = stretches(alike.length);
    return alike[0]!.others.flatMap(({ id, share, ohms }): OtherLoop[] => {
      const near = Math.min(1, (farRatio / timesApart(ohms, alike[0]!.ohms)) ** 2);
      const excess = (of: readonly LoopPart[]): number =>
        of.reduce(
          (sum, part) => sum + (part.others.find((other) => other.id === id)?.ohms ?? part.ohms) - part.ohms,
          0,
        );
      const loopOf = (of: readonly LoopPart[], ofIt: number): OtherLoop => ({
        ohms: all + excess(of),
        excessOhms: excess(of),
        share: share * near * ofIt,
      });
      return [
        loopOf(alike, some.length > 0 ? wholeShare : 1),
        ...some.map(([from, to]) => loopOf(alike.slice(from, to), (1 - wholeShare) / some.length)),
      ];
    });
  });
  return alikeTogether(loops);
}

/** Loops that a meter would hardly tell apart, as one. */
const apartShare = 0.06;

function alikeTogether(loops: readonly OtherLoop[]): OtherLoop[] {
  const total = loops.reduce((sum, { share }) => sum + share, 0);
  const groups: OtherLoop[][] = [];
  for (const loop of [...loops].sort((a, b) => a.ohms - b.ohms)) {
    const group = groups.at(-1);
    if (group && loop.ohms <= group[0]!.ohms * (1 + apartShare)) group.push(loop);
    else groups.push([loop]);
  }
  return groups.map((group): OtherLoop => {
    const share = group.reduce((sum, loop) => sum + loop.share, 0);
    const mean = (of: (loop: OtherLoop) => number): number =>
      group.reduce((sum, loop) => sum + of(loop) * loop.share, 0) / share;
    return {
      ohms: mean(({ ohms }) => ohms),
      excessOhms: mean(({ excessOhms }) => excessOhms),
      share: share / total,
    };
  });
}

/** What the coax loop of a run would be if a construction were another than noted. */
export const otherCoaxLoops = (run: Run, atC?: number): OtherLoop[] => otherLoops(coaxParts(run, atC));

/** The same of the loop of its power cores. */
export const otherPowerLoops = (run: Run, atC?: number): OtherLoop[] => otherLoops(powerParts(run, atC));
