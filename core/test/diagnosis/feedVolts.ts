import type { QuantityReading } from '#core/model/site';
import { constantPowerVolts, type CameraLoad } from '#core/physics/power';
import { dayLoad, nightLoad } from '#core/test/findings';
import { leadOhms } from './coreLoops';
import { between, fifths, ratioSteps, robust } from './density';
import type { DiagnosisInput } from './looked';
import { meter, misread, spreads, supplyFaults } from './practice';

/** What the source gives by day and by night, as shares of what it is set to. */
interface SourceCase {
  day: number;
  night: number;
  chance: number;
  /** How far between this case and the next it may be, as a share. */
  blur: number;
}
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

/** Log-chances of the volts that were read: behind a loop, and with a camera that takes nothing. */
export interface FeedVolts {
  behind: (ohms: number) => number;
  unloaded: () => number;
}

/** What volts by day and by night tell of a supply that is as it should be, and of one at fault; nothing where none were read. */
export function feedVolts({
  run,
  camera,
  readings,
  source,
}: DiagnosisInput): { sound: FeedVolts; faulty: FeedVolts } | null {
  const [day, night] = [readings['day-volts'], readings['night-volts']];
  if (!day && !night) return null;
  const rail = run.feed.kind === 'local-adapter' ? spreads.adapter : spreads.rail;
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

  const tableOf = (isFaulty: boolean): FeedVolts => {
    const sources = sourceCases(isFaulty, rail);
    const logs: number[] = [];
    const atStep = (index: number): number => (logs[index] ??= voltsLog(loopGrid[index]!, sources, 1));
    return {
      behind: (ohms) => between(loopGrid, atStep, ohms),
      unloaded: once(() => voltsLog(leadOhms, sources, 0)),
    };
  };
  return { sound: tableOf(false), faulty: tableOf(true) };
}
