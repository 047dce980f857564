import {
  faultsLossDb,
  feedSource,
  lineKind,
  pictureOver,
  runLengthM,
  type RunFindings,
} from '#core/test/findings';
import { testDefinition, type RunReadings } from '#core/test/readings';
import { poeSourceVolts, ethernetChannelM, maxLoadWatts, poeClasses } from '#core/physics/power';
import { viewNeed } from '#core/model/views';
import { linkConverters, linkRateMbps, pictureFormats, soundJointLossDb } from '#core/physics/signal';
import type { Camera, Run, Site, TestId } from '#core/model/site';
import { formatQuantity, type Unit } from '#core/shared/units';
import {
  figure,
  unboundedUtilisation,
  statusOf,
  worst,
  type Basis,
  type Figure,
  type Status,
} from '#core/shared/derivation';
import type { Use, UseMargin, Uses } from './use';

/** How far what was not measured may be off, as a share: published loss of cables, loops by their tables, a joint nobody looked for. Judgement. */
const unreadLossShare = 0.12;
const unreadFaultDb = 2;
const unreadLoopShare = 0.15;
/** Volts that nobody read may use the drop up so many times more or less than computed. */
const unreadVoltsTimes = 1.25;
/** A core that is steel and was taken for copper. */
const steelTimes = 3;

const converter = linkConverters[0]!;
const portWatts = poeClasses[4].sourceWatts;

interface Held {
  label: string;
  unit: Unit;
  limit: Figure;
  sense: 'at-most' | 'at-least';
  value: number;
  worstValue: number;
  bestValue: number;
  basis: Basis;
  test: TestId | null;
}

const shareIn = (sense: Held['sense'], value: number, limit: number): number => {
  const utilisation = sense === 'at-most' ? value / limit : limit / value;
  return Number.isFinite(utilisation) && utilisation >= 0 ? utilisation : unboundedUtilisation;
};

function marginOf({ label, unit, limit, sense, value, worstValue, bestValue, basis, test }: Held): UseMargin {
  const of = (at: number): Status => statusOf(shareIn(sense, at, limit.value ?? 0));
  return {
    label,
    unit,
    value,
    limit,
    utilisation: shareIn(sense, value, limit.value ?? 0),
    status: of(value),
    basis,
    range: { worst: of(worstValue), best: of(bestValue) },
    test,
  };
}

const basisRank: Basis[] = ['measured', 'data-sheet', 'typical'];

function useOf(id: string, label: string, margins: UseMargin[], also = ''): Use {
  const sorted = [...margins].sort((a, b) => b.utilisation - a.utilisation);
  const [tightest] = sorted;
  const status = worst(margins.map((margin) => margin.status));
  const word = { holds: 'fit', close: 'just fit', fails: 'not fit' }[status];
  const of = tightest
    ? `${formatQuantity(tightest.value, tightest.unit)} ${tightest.label}, ${tightest.limit.name} ${formatQuantity(tightest.limit.value, tightest.unit)}`
    : '';
  return {
    id,
    label,
    status,
    margins: sorted,
    message: `${word}: ${of}${also ? `; ${also}` : ''}`,
    basis: margins.reduce<Basis>(
      (so, { basis }) => (basisRank.indexOf(basis) > basisRank.indexOf(so) ? basis : so),
      'measured',
    ),
  };
}

interface Given {
  site: Site;
  run: Run;
  camera: Camera;
  findings: RunFindings;
  readings: RunReadings;
}

/** Loss that is known of the run beyond its cable, and how far it may be off while nobody has looked. */
function lossRange(
  { readings }: Given,
  value: number,
): Pick<Held, 'value' | 'worstValue' | 'bestValue' | 'basis' | 'test'> {
  const looked = readings.reflectometer !== undefined;
  return {
    value,
    bestValue: value * (1 - unreadLossShare),
    worstValue: value * (1 + unreadLossShare) + (looked ? 0 : unreadFaultDb),
    basis: 'typical',
    test: looked ? null : 'reflectometer',
  };
}

function pictureUses(given: Given): Use[] {
  const { run, camera, findings, readings } = given;
  if (lineKind(run) === 'mixed') return [];
  const night = findings.verdicts.find(({ id }) => id === 'night-volts')!;
  const shown = night.read ?? night.expected;
  const nightMargin: UseMargin = {
    label: 'at night',
    unit: 'V',
    value: shown?.value ?? 0,
    limit: figure('at least', camera.supply.window.minVolts, 'V', camera.supply.window.from),
    utilisation: night.utilisation ?? 0,
    status: statusOf(night.utilisation ?? 0),
    basis: night.basis,
    range: readings['night-volts']
      ? { worst: statusOf(night.utilisation ?? 0), best: statusOf(night.utilisation ?? 0) }
      : {
          worst: statusOf((night.utilisation ?? 0) * unreadVoltsTimes),
          best: statusOf((night.utilisation ?? 0) / unreadVoltsTimes),
        },
    test: readings['night-volts'] ? null : 'night-volts',
  };
  return pictureFormats.map((format) => {
    const loss = marginOf({
      label: `lost at ${format.topMHz} MHz`,
      unit: 'dB',
      limit: figure('at most', format.limitDb, 'dB', 'typical'),
      sense: 'at-most',
      ...lossRange(given, pictureOver(run, format, faultsLossDb(run, findings.events)).lossDb),
    });
    const isSoft = loss.status !== 'fails' && loss.value > format.cleanDb;
    return useOf(format.id, format.label, [
      { ...loss, status: isSoft && loss.status === 'holds' ? 'close' : loss.status },
      nightMargin,
    ]);
  });
}

/** Ethernet over the coax, with the watts that arrive behind the converter. */
function coaxUse(given: Given): Use[] {
  const { site, run, camera, findings, readings } = given;
  if (lineKind(run) !== 'coax') return [];
  const { mbps, nightWatts } = viewNeed(site, camera).ip;
  const joints = run.segments.filter(({ joint }) => joint).length * soundJointLossDb;
  const rateAt = (moreDb: number) =>
    linkRateMbps(converter, run.segments, joints + faultsLossDb(run, findings.events) + moreDb);
  const wattsAt = (loopOhms: number) =>
    Math.max(
      0,
      (maxLoadWatts({
        sourceVolts: poeSourceVolts,
        loopOhms,
        minLoadVolts: converter.minInputVolts,
        sourceLimitWatts: portWatts,
      }) ?? portWatts) - converter.ownWatts,
    );
  const { ohms, from } = findings.coaxLoop;
  const read = from === 'measured';
  const link = readings.link;
  const rate = marginOf({
    label: 'carried',
    unit: 'Mb/s',
    sense: 'at-least',
    limit: figure('wanted', mbps, 'Mb/s', 'typical'),
    value: link ? link.throughputMbps : rateAt(0),
    worstValue: link ? link.throughputMbps : rateAt(4),
    bestValue: link ? link.throughputMbps : rateAt(-2),
    basis: link ? 'measured' : 'typical',
    test: link ? null : 'link',
  });
  const watts = marginOf({
    label: 'arriving',
    unit: 'W',
    sense: 'at-least',
    limit: figure('wanted', nightWatts, 'W', 'typical'),
    value: wattsAt(ohms),
    worstValue: wattsAt(read ? ohms * 1.03 : ohms * steelTimes),
    bestValue: wattsAt(read ? ohms : ohms * (1 - unreadLoopShare)),
    basis: read ? 'measured' : 'typical',
    test: read ? null : 'coax-loop-ohms',
  });
  return [
    useOf(
      'ip-coax',
      'IP over the coax',
      [rate, watts],
      `${formatQuantity(rate.value, 'Mb/s')} and ${formatQuantity(watts.value, 'W')}`,
    ),
  ];
}

function categoryUse({ run }: Given): Use[] {
  if (lineKind(run) !== 'pair') return [];
  const lengthM = runLengthM(run);
  const spreadM = Math.hypot(...run.segments.map((segment) => segment.spreadM));
  return [
    useOf('ip-category', 'IP on the category cable', [
      marginOf({
        label: 'long',
        unit: 'm',
        sense: 'at-most',
        limit: figure('at most', ethernetChannelM, 'm', 'standard'),
        value: lengthM,
        worstValue: lengthM + 2 * spreadM,
        bestValue: lengthM - 2 * spreadM,
        basis: 'typical',
        test: spreadM > 3 ? 'reflectometer' : null,
      }),
    ]),
  ];
}

/** A signal way that does not go through carries nothing, whatever its loss would be. */
function asFarAsItGoes(uses: Use[], { readings: { continuity } }: Given): Use[] {
  if (!continuity || continuity.found === 'through') return uses;
  return uses.map((use) => ({
    ...use,
    status: 'fails',
    basis: 'measured',
    message: `not fit: the coax is ${continuity.found}`,
  }));
}

/** What the power cores can carry to whatever hangs there next. */
function powerUse({ site, run, camera, findings, readings }: Given): Use[] {
  if (run.feed.kind === 'local-adapter') return [];
  const source = feedSource(site, run);
  const { minVolts } = camera.supply.window;
  const at = (loopOhms: number) =>
    maxLoadWatts({
      sourceVolts: source.volts,
      loopOhms,
      minLoadVolts: minVolts,
      sourceLimitWatts: source.limitWatts,
    }) ?? source.limitWatts;
  const { ohms, from } = findings.powerLoop;
  const read = readings['power-loop-ohms'] !== undefined;
  return [
    useOf('power', 'Power over its own cores', [
      marginOf({
        label: `arriving at ${formatQuantity(minVolts, 'V')} or more`,
        unit: 'W',
        sense: 'at-least',
        limit: figure('wanted', camera.watts.night, 'W', 'noted'),
        value: at(ohms),
        worstValue: at(ohms * (read ? 1.03 : 1 + 2 * unreadLoopShare)),
        bestValue: at(ohms * (read ? 1 : 1 - unreadLoopShare)),
        basis: from === 'measured' ? 'measured' : 'typical',
        test: read ? null : 'power-loop-ohms',
      }),
    ]),
  ];
}

/** Tests whose result could change a use from fit to not fit or the reverse. */
function worthReading(uses: readonly Use[]): Uses['worthReading'] {
  const byTest = new Map<TestId, string[]>();
  for (const { label, margins } of uses) {
    for (const { test, range } of margins) {
      const turns = test !== null && (range.worst === 'fails') !== (range.best === 'fails');
      if (turns) byTest.set(test, [...new Set([...(byTest.get(test) ?? []), label])]);
    }
  }
  return [...byTest]
    .map(([test, of]) => ({ test, uses: of }))
    .sort(
      (a, b) =>
        b.uses.length - a.uses.length || testDefinition(a.test).minutes - testDefinition(b.test).minutes,
    );
}

function saysOf(uses: readonly Use[]): string {
  const fit = uses.filter(({ status, id }) => status !== 'fails' && id !== 'power');
  const power = uses.find(({ id, status: standing }) => id === 'power' && standing !== 'fails');
  if (fit.length === 0) return power ? 'Fit for power only.' : 'Not fit for any of these.';
  const pictures = pictureFormats.filter(({ id }) => fit.some((use) => use.id === id));
  const best = pictures.at(-1);
  const ip = fit.find(({ id }) => id === 'ip-coax' || id === 'ip-category');
  return `Fit for ${[best ? (best.id === 'cvbs' ? best.label.toLowerCase() : `pictures up to ${best.label}`) : '', ip ? ip.label : ''].filter(Boolean).join(' and ')}.`;
}

/** What a run is fit for as it was found, with margins, what each rests on, and what is still worth reading. */
export function usesOf(
  site: Site,
  run: Run,
  camera: Camera,
  findings: RunFindings,
  readings: RunReadings,
): Uses {
  const given: Given = { site, run, camera, findings, readings };
  const uses = [
    ...asFarAsItGoes([...pictureUses(given), ...coaxUse(given), ...categoryUse(given)], given),
    ...powerUse(given),
  ];
  return { uses, message: saysOf(uses), worthReading: worthReading(uses) };
}
