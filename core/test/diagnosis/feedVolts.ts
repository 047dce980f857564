import { constantPowerVolts, type CameraLoad } from '#core/physics/power';
import { dayLoad, nightLoad } from '#core/test/findings';
import { once, rememberedLast } from '#core/shared/memo';
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

/** Volts that arrive from one case of a source, with how widely a reading of them is spread. */
interface Arrival {
  chance: number;
  day: number;
  daySpread: number;
  night: number;
  nightSpread: number;
}

const spreadOf = (from: number, at: number, blur: number): number =>
  Math.hypot(meter.volts, 0.004 * at, blur * from, spreads.watts * Math.max(0, from - at));

/** All that volts at a camera come from, whatever is read of them: cameras that are fed alike have it in common. */
interface Fed {
  rail: number;
  volts: number;
  dayVolts: number;
  current: 'dc' | 'ac';
  byDay: CameraLoad;
  byNight: CameraLoad;
}

const fedOf = ({ run, camera, source: { volts, dayVolts, current } }: DiagnosisInput): Fed => ({
  rail: run.feed.kind === 'local-adapter' ? spreads.adapter : spreads.rail,
  volts,
  dayVolts,
  current,
  byDay: dayLoad(camera),
  byNight: nightLoad(camera),
});

/** What arrives from every case of a source, behind a loop of so many ohms. */
function arrivalsFrom({ rail, volts, dayVolts, current, byDay, byNight }: Fed, isFaulty: boolean) {
  const factors = factorsOf[current];
  const sources = sourceCases(isFaulty, rail);
  return (ohms: number, load: number): Arrival[] =>
    factors.flatMap((factor) =>
      sources.map(({ day: dayShare, night: nightShare, chance, blur }): Arrival => {
        const [fromDay, fromNight] = [dayShare * dayVolts, nightShare * volts];
        const day = voltsAt(fromDay, ohms, byDay, load * factor);
        const night = voltsAt(fromNight, ohms, byNight, load * factor);
        return {
          chance: chance / factors.length,
          day,
          daySpread: spreadOf(fromDay, day, blur),
          night,
          nightSpread: spreadOf(fromNight, night, blur),
        };
      }),
    );
}

/** What arrives at each step of the loops, and with a camera that takes nothing. */
interface ArrivalTable {
  atStep: (index: number) => Arrival[];
  unloaded: () => Arrival[];
}

function arrivalTable(fed: Fed, isFaulty: boolean): ArrivalTable {
  const arrivals = arrivalsFrom(fed, isFaulty);
  const steps: Arrival[][] = [];
  return {
    atStep: (index) => (steps[index] ??= arrivals(loopGrid[index]!, 1)),
    unloaded: once(() => arrivals(leadOhms, 0)),
  };
}

/** So many ways to be fed are kept at most. */
const mostTables = 40;
const tablesOf = rememberedLast(mostTables, (key: string) => {
  const fed = JSON.parse(key) as Fed;
  return { sound: arrivalTable(fed, false), faulty: arrivalTable(fed, true) };
});

/** Log-chances of the volts that were read: behind a loop, and with a camera that takes nothing. */
export interface FeedVolts {
  behind: (ohms: number) => number;
  unloaded: () => number;
}

/** What volts by day and by night tell of a supply that is as it should be, and of one at fault; nothing where none were read. */
export function feedVolts(looked: DiagnosisInput): { sound: FeedVolts; faulty: FeedVolts } | null {
  const { readings, source } = looked;
  const [day, night] = [readings['day-volts'], readings['night-volts']];
  if (!day && !night) return null;
  const tables = tablesOf(JSON.stringify(fedOf(looked)));
  // Behind a lead that brings nothing a reading may still be anything up to what the box gives.
  const range = source.volts || source.highestVolts;

  /** Log-chance of the volts that were read, of those that could arrive. */
  function readLog(arrivals: readonly Arrival[]): number {
    let sum = 0;
    for (const one of arrivals) {
      let density = one.chance;
      if (day) density *= robust(day.value, one.day, one.daySpread, misread, range);
      if (night) density *= robust(night.value, one.night, one.nightSpread, misread, range);
      sum += density;
    }
    return Math.log(sum);
  }

  const read = ({ atStep, unloaded }: ArrivalTable): FeedVolts => {
    const logs: number[] = [];
    const logAt = (index: number): number => (logs[index] ??= readLog(atStep(index)));
    return {
      behind: (ohms) => between(loopGrid, logAt, ohms),
      unloaded: once(() => readLog(unloaded())),
    };
  };
  return { sound: read(tables.sound), faulty: read(tables.faulty) };
}
