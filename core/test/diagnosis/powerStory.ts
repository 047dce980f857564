import type { QuantityReading } from '#core/model/site';
import { constantPowerVolts, type CameraLoad } from '#core/physics/power';
import { dayLoad, expectedPowerOhms, nightLoad, otherPowerLoops, type RunEvent } from '#core/test/findings';
import { between, logMix, logNormal, logSum, ratioSteps, robust } from './density';
import type { DiagnosisInput } from './looked';
import {
  deadTakesNothing,
  meter,
  misread,
  otherSpread,
  powerJointOhms,
  spreads,
  supplyFaults,
} from './practice';
import { endOf, notedLength } from './runLength';
import { has, story, type Story, type TroubleSet } from './troubleSets';

/** Loops that are thought of, each with its chance as a log. */
interface LoopCase {
  ohms: number;
  log: number;
}
/** What the source gives by day and by night, as shares of what it is set to. */
interface SourceCase {
  day: number;
  night: number;
  chance: number;
  /** How far between this case and the next it may be, as a share. */
  blur: number;
}
/** A loop without a joint: its middle, its spread, and its share among all that are thought of. */
interface Plain {
  ohms: number;
  spread: number;
  share: number;
}

const noneOhms = 0.05;
/** Middles of five parts of a normal spread that are alike likely. */
const fifths = [-1.4, -0.53, 0, 0.53, 1.4];

/** Steps of its spread about a loop that was read, and how far apart they are; what is read wrong lies anywhere up to the last. */
const loopSteps = [-2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4];
const loopStep = 0.6;
const widestOhms = 60;
/** Loops at which volts are worked out; what lies between is taken from its neighbours. */
const loopGrid = ratioSteps(0.04, 80, 100);

/** A supply as it should be, and one at fault. */
function sourceCases(isFaulty: boolean, rail: number): SourceCase[] {
  if (!isFaulty)
    return fifths.map((z) => ({
      day: 1 + z * rail,
      night: 1 + z * rail,
      chance: 1 / fifths.length,
      blur: 0.25 * rail,
    }));
  const { low, sags, high, from, to, highShare } = supplyFaults;
  const count = 10;
  const lost = Array.from({ length: count }, (_, k) => from + ((k + 0.5) * (to - from)) / count);
  const rails = [1 - rail, 1, 1 + rail];
  const each = 1 / (count * rails.length);
  const blur = (to - from) / count / Math.sqrt(12);
  return [
    ...lost.flatMap((share) =>
      rails.flatMap((own): SourceCase[] => [
        { day: own * (1 - share), night: own * (1 - share), chance: low * each, blur },
        { day: own, night: own * (1 - share), chance: sags * each, blur },
      ]),
    ),
    { day: 1 + highShare, night: 1 + highShare, chance: high, blur: 0.04 },
  ];
}

/** Works a figure out when it is first asked for. */
function once(work: () => number): () => number {
  let known: number | undefined;
  return () => (known ??= work());
}

/** Volts at a camera, or less than half of the source's where they collapse. */
const voltsAt = (
  source: number,
  loopOhms: number,
  { voltAmps, heaterOhms }: CameraLoad,
  share: number,
): number =>
  share === 0
    ? source
    : (constantPowerVolts(source, loopOhms, voltAmps * share, heaterOhms ?? Infinity) ?? 0.45 * source);

/** Power factors of a rectifier on AC, as shares of what is reckoned with: one that is corrected takes least. */
const factorsOf = { dc: [1], ac: [0.65, 0.8, 1] } as const;

/** What the power loop and the volts by day and by night tell together. */
export function powerStory(
  { run, camera, readings, source }: DiagnosisInput,
  events: readonly RunEvent[] | null,
): Story {
  const isFedAlong = run.feed.kind !== 'local-adapter';
  const noted = notedLength(run);
  const loop = readings['power-loop-ohms'];
  const [day, night] = [readings['day-volts'], readings['night-volts']];
  const traced = events ? endOf(events) : undefined;
  const isTraced =
    run.feed.kind === 'along-run' && traced !== undefined && Math.abs(traced.atM / noted.lengthM - 1) < 0.3;

  const expected = isFedAlong ? expectedPowerOhms(run, loop?.temperatureC) : 0;
  const others = isFedAlong ? otherPowerLoops(run, loop?.temperatureC) : [];

  /** Loops of the cores without a joint: as noted, or as other cores. */
  function plainsOf(isOther: boolean): Plain[] {
    const loops = isOther && others.length > 0 ? others : [{ ohms: expected, excessOhms: 0, share: 1 }];
    const own = Math.hypot(spreads.construction, 0.015);
    return loops.flatMap(({ ohms, excessOhms, share }): Plain[] => {
      const other = 0.3 * otherSpread * Math.abs(excessOhms);
      const note = { ohms, spread: Math.hypot(own * ohms, noted.spread * ohms, other), share };
      if (!isTraced) return [note];
      const byTrace = (ohms * traced.atM) / noted.lengthM;
      return [
        { ...note, share: 0.25 * share },
        { ohms: byTrace, spread: Math.hypot(own * byTrace, other), share: 0.75 * share },
      ];
    });
  }

  const [asNoted, asOther] = [plainsOf(false), plainsOf(true)];
  const plains = (set: TroubleSet): Plain[] => (has(set, 'power-construction') ? asOther : asNoted);

  /** Log-density of a loop under these troubles. */
  function loopLog(ohms: number, set: TroubleSet): number {
    const { from, to } = powerJointOhms;
    const range = Math.log(to / from);
    const sound = meter.soundJointOhms;
    return logSum(
      plains(set).flatMap((plain) => {
        const middle = plain.ohms + sound;
        if (!has(set, 'power-joint'))
          return [
            Math.log(plain.share) + logNormal(ohms, middle, Math.hypot(plain.spread, meter.soundJointSpread)),
          ];
        return fifths.map((z) => {
          const joint = ohms - middle - z * plain.spread;
          const density = joint < 0.6 * from || joint > 1.5 * to ? 1e-9 : 1 / (joint * range);
          return Math.log((plain.share * density) / fifths.length);
        });
      }),
    );
  }

  /** Loops that are thought of before any is read. */
  function unreadLoops(set: TroubleSet): LoopCase[] {
    const joints = has(set, 'power-joint') ? ratioSteps(powerJointOhms.from, powerJointOhms.to, 10) : [0];
    const places = joints.length > 1 ? [0] : fifths;
    return plains(set).flatMap((plain) =>
      places.flatMap((z) =>
        joints.map((joint) => ({
          ohms: Math.max(noneOhms, plain.ohms + z * plain.spread + joint),
          log: Math.log(plain.share / (joints.length * places.length)),
        })),
      ),
    );
  }

  /** Loops that are tried: about what was read, or those that are thought of where it was read wrong. */
  function loopCases(set: TroubleSet): LoopCase[] {
    if (!isFedAlong || expected <= 0) return [{ ohms: noneOhms, log: 0 }];
    if (!loop) return unreadLoops(set);
    const spread = Math.hypot(meter.ohms, meter.share * loop.value);
    const about = loopSteps
      .map((z) => loop.value + z * spread)
      .filter((ohms) => ohms > 0)
      .map((ohms): LoopCase => ({
        ohms,
        log:
          Math.log((1 - misread) * loopStep * spread) +
          loopLog(ohms, set) +
          logNormal(loop.value, ohms, spread),
      }));
    const wrong = Math.log(misread / widestOhms);
    return [...about, ...unreadLoops(set).map(({ ohms, log }) => ({ ohms, log: log + wrong }))];
  }

  const rail = isFedAlong ? spreads.rail : spreads.adapter;
  const [byDay, byNight] = [dayLoad(camera), nightLoad(camera)];
  const factors = factorsOf[source.current];

  const readDensity = (
    reading: QuantityReading | undefined,
    from: number,
    at: number,
    blur: number,
  ): number =>
    reading
      ? robust(
          reading.value,
          at,
          Math.hypot(meter.volts, 0.004 * at, blur * from, spreads.watts * Math.max(0, from - at)),
          misread,
          source.volts,
        )
      : 1;

  /** Log-chance of the volts that were read, behind a loop of so many ohms. */
  function voltsLog(ohms: number, sources: readonly SourceCase[], load: number): number {
    let sum = 0;
    for (const factor of factors)
      for (const { day: dayShare, night: nightShare, chance, blur } of sources) {
        const [atDay, atNight] = [dayShare * source.volts, nightShare * source.volts];
        sum +=
          chance *
          readDensity(day, atDay, voltsAt(atDay, ohms, byDay, load * factor), blur) *
          readDensity(night, atNight, voltsAt(atNight, ohms, byNight, load * factor), blur);
      }
    return Math.log(sum / factors.length);
  }

  /** The same by steps of the loop, for a supply as it should be and for one at fault. */
  const byLoop = [false, true].map((isFaulty) => {
    const sources = sourceCases(isFaulty, rail);
    const logs: number[] = [];
    const atStep = (index: number): number => (logs[index] ??= voltsLog(loopGrid[index]!, sources, 1));
    return {
      at: (ohms: number): number => between(loopGrid, atStep, ohms),
      unloaded: once(() => voltsLog(noneOhms, sources, 0)),
    };
  });

  return story(['supply', 'power-construction', 'power-joint', 'camera'], (set) => {
    if (!loop && !day && !night) return 0;
    const loops = loopCases(set);
    if (!day && !night) return logSum(loops.map(({ log }) => log));
    const volts = byLoop[has(set, 'supply') ? 1 : 0]!;
    const loaded = logSum(loops.map(({ ohms, log }) => log + volts.at(ohms)));
    if (!has(set, 'camera')) return loaded;
    const idle = logSum(loops.map(({ log }) => log)) + volts.unloaded();
    return logMix(loaded, idle, deadTakesNothing);
  });
}
