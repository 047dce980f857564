import { createNormal } from '#core/shared/random';
import { coaxLoopOhms, cableOf } from '#core/physics/cable';
import { expectedPowerOhms, feedSource, lineOf } from '#core/test/findings';
import { cameraLoad, dcFeed } from '#core/physics/power';
import { forwardTrace, type End, type Pulse } from '#core/physics/reflectometer';
import {
  linkConverters,
  linkRateMbps,
  patchLossDb,
  seriesLossDb,
  shuntLossDb,
  tapLossDb,
} from '#core/physics/signal';
import { runLengthM, type Site } from '#core/model/site';
import type { ActualRun } from './truth';

/** What the instrument's leads are on, and how the run was left for it. */
export interface HookedUp {
  actual: ActualRun;
  on: 'coax' | 'power' | 'earth' | 'camera';
  far: 'open' | 'short' | 'camera';
  state: 'live' | 'isolated' | 'disconnected';
  load: 'day' | 'night';
}

/** Numbers from 0 up to 1. */
export type Random = () => number;

/** One normal deviate by itself: a meter's errors have nothing in common. */
const deviate = (random: Random): number => createNormal(random)();

/** A reading as the meter shows it: its accuracy as a share and in last digits, rounded to those. */
function shown(value: number, share: number, digit: number, random: Random): number {
  const off = value * (1 + (share / 2) * deviate(random)) + (digit / 2) * deviate(random);
  return Math.max(0, Math.round(off / digit) * digit);
}

const both = (a: number, b: number): number => (a === Infinity ? b : b === Infinity ? a : (a * b) / (a + b));

/** Ohms that a meter sees at the head end of a coax: the far end, and backwards over segments and faults. */
function seenOhms({ run, faults }: ActualRun, farOhms: number): number {
  const waiting = [...faults].sort((a, b) => b.atM - a.atM);
  let ohms = farOhms;
  let endM = runLengthM(run);
  for (const segment of [...run.segments].reverse()) {
    const cable = cableOf(segment);
    const perM = cable.kind === 'coax' ? coaxLoopOhms(cable, 1, segment.temperatureC) : 0;
    const startM = endM - segment.lengthM;
    let atM = endM;
    while (waiting[0] && waiting[0].atM >= startM) {
      const { atM: faultM, fault } = waiting.shift()!;
      ohms += perM * Math.max(0, atM - faultM);
      atM = Math.min(atM, faultM);
      if (fault.kind === 'series') ohms += fault.ohms;
      if (fault.kind === 'shunt') ohms = both(ohms, fault.ohms);
    }
    ohms += perM * (atM - startM);
    endM = startM;
  }
  return ohms;
}

/** What a meter shows above its range. */
const overload = 99_999;
const meter = { share: 0.004, ohmsDigit: 0.1, voltsDigit: 0.1, megohmsDigit: 0.1 };

export function resistanceOhms({ actual, on, far }: HookedUp, random: Random): number {
  const farOhms = far === 'short' ? 0 : Infinity;
  const ohms =
    on === 'power'
      ? far === 'short'
        ? expectedPowerOhms(actual.run) + (actual.secrets.powerExtraOhms ?? 0)
        : Infinity
      : seenOhms(actual, farOhms);
  return ohms > overload ? overload : shown(ohms, meter.share, meter.ohmsDigit, random);
}

/** A hundred metres of dry cable as they usually are. */
const usualMegohms = 80;

export function insulationMegohms({ actual }: HookedUp, random: Random): number {
  const leak = seenOhms(actual, Infinity);
  const lengthM = runLengthM(actual.run);
  return shown(
    both(actual.secrets.insulationMegohms ?? (usualMegohms * 100) / lengthM, leak / 1e6),
    0.05,
    meter.megohmsDigit,
    random,
  );
}

export function continuity({ actual, far }: HookedUp): 'THROUGH' | 'OPEN' | 'SHORTED' {
  const [open, through] = [seenOhms(actual, Infinity), seenOhms(actual, 0)];
  if (open < 200) return 'SHORTED';
  return far === 'short' && through < 200 ? 'THROUGH' : 'OPEN';
}

export function volts(
  site: Site,
  { actual, on, load, state }: HookedUp,
  kind: 'ac' | 'dc',
  random: Random,
): number {
  const { run, secrets } = actual;
  if (on === 'earth')
    return kind === 'ac' ? shown(secrets.shieldEarthVolts ?? 0.3, 0.02, meter.voltsDigit, random) : 0;
  if (on === 'coax')
    return kind === 'ac'
      ? shown((secrets.foreignAcVolts ?? 0.1) + (secrets.inducedAcVolts ?? 0), 0.02, meter.voltsDigit, random)
      : shown(0.05, 0.02, meter.voltsDigit, random);
  const source = feedSource(site, run);
  if (kind !== source.current || state !== 'live') return 0;
  const camera = site.camera[run.cameraId]!;
  const loopOhms =
    run.feed.kind === 'local-adapter' ? 0.05 : expectedPowerOhms(run) + (secrets.powerExtraOhms ?? 0);
  const { voltAmps, heaterOhms } = cameraLoad(
    camera.watts[load],
    source.current,
    load === 'night' ? camera.watts.heater : 0,
  );
  const feed = dcFeed({
    sourceVolts: secrets.supplyVolts ?? source.volts,
    loopOhms,
    load: { kind: 'watts', watts: voltAmps, heaterOhms },
    minLoadVolts: 0,
  });
  return feed.state === 'collapsed' ? 0 : shown(feed.loadVolts, meter.share, meter.voltsDigit, random);
}

/** AC volts with a meter that loads the line: what is only induced falls away. */
export function loadedAcVolts({ actual }: HookedUp, random: Random): number {
  return shown(actual.secrets.foreignAcVolts ?? 0.1, 0.02, meter.voltsDigit, random);
}

/** A longer line wants a longer pulse, or its far end drowns. */
function pulseFor(lengthM: number): Pulse {
  const widthNs = lengthM < 120 ? 12 : lengthM < 320 ? 26 : 60;
  return { centreNs: 60, widthNs, edgeNs: widthNs * 0.4, volts: 1 };
}
const stepNs = 2;
const samples = 3072;
/** Noise of one reading as a share of the pulse; twelve bits over twice the pulse. */
const noiseShare = 0.0012;
const voltsPerCount = 2 / 4096;

export interface ReadTrace {
  stepNs: number;
  voltsPerCount: number;
  counts: number[];
}

export function reflectometerTrace({ actual, far }: HookedUp, random: Random): ReadTrace {
  const end: End = far === 'camera' ? { kind: 'load', ohms: 75 } : { kind: far };
  const impedance = cableOf(actual.run.segments[0]!).impedanceOhms;
  const lengthM = runLengthM(actual.run);
  const trace = forwardTrace(
    lineOf(actual.run.segments, actual.faults, end),
    pulseFor(lengthM),
    impedance,
    stepNs,
    samples,
  );
  return {
    stepNs,
    voltsPerCount,
    counts: Array.from(trace.volts, (value) =>
      Math.round((value + noiseShare * deviate(random)) / voltsPerCount),
    ),
  };
}

/** What a fault takes from whatever passes it, in a line of 75 Ω. */
function faultLossDb({ fault }: ActualRun['faults'][number]): number {
  switch (fault.kind) {
    case 'series':
      return seriesLossDb(fault.ohms, 75);
    case 'shunt':
      return shuntLossDb(fault.ohms, 75);
    case 'tap':
      return tapLossDb;
    case 'patch':
      return patchLossDb(fault.impedanceOhms, 75);
  }
}

export interface ReadLink {
  rateMbps: number;
  throughputMbps: number;
  lostPercent: number;
  deliveredWatts: number;
}

/** What a pair of converters reaches over the run, and the watts that arrive behind the far one. */
export function link({ actual }: HookedUp, random: Random): ReadLink {
  const converter = linkConverters[0]!;
  const rateMbps = Math.round(
    linkRateMbps(
      converter,
      actual.run.segments,
      actual.faults.reduce((sum, fault) => sum + faultLossDb(fault), 0),
    ),
  );
  const feed = dcFeed({
    sourceVolts: 54,
    loopOhms: seenOhms(actual, 0),
    load: { kind: 'watts', watts: 12 + converter.ownWatts },
    minLoadVolts: converter.minInputVolts,
  });
  return {
    rateMbps,
    throughputMbps: Math.round(rateMbps * (0.93 + 0.02 * random())),
    lostPercent: rateMbps === 0 ? 100 : Math.round(random() * 2) / 100,
    deliveredWatts: feed.state === 'collapsed' || feed.state === 'undervoltage' ? 0 : 12,
  };
}
