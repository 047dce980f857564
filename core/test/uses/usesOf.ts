import {
  faultsLossDb,
  feedSource,
  gearInLine,
  hasCladPairs,
  heaterWatts,
  lineConditions,
  lineKind,
  pairStretches,
  voltsShare,
  type LineUse,
  type RunFindings,
} from '#core/test/findings';
import {
  asKnown,
  bestCase,
  coaxReachUnder,
  linkExtraDb,
  linkRateUnder,
  ohmsFactor,
  pictureLossUnder,
  readFactor,
  voltsUnder,
  worstCase,
  type Scenario,
} from '#core/test/scenarios';
import { type RunReadings } from '#core/test/readings';
import { maxLoadWatts, wattsOf, poeClasses } from '#core/physics/power';
import { viewNeed } from '#core/model/views';
import {
  linkConverters,
  pictureFormats,
  type PictureFormat,
  categoryChannel,
  longestChannelM,
  permanentLinkM,
} from '#core/physics/signal';
import {
  type Camera,
  type Run,
  type Site,
  sharersByRun,
  type TestId,
  testDefinition,
} from '#core/model/site';
import { formatQuantity, type Unit } from '#core/shared/units';
import {
  basisOf,
  figure,
  unboundedUtilisation,
  statusOf,
  worst,
  type Basis,
  type Figure,
  type Status,
} from '#core/shared/derivation';
import type { Use, UseMargin, Uses } from './use';

const converter = linkConverters[0]!;
const portWatts = poeClasses[4].sourceWatts;

interface HeldMargin {
  label: string;
  unit: Unit;
  limit: Figure;
  sense: 'at-most' | 'at-least';
  /** What there is in a scenario. */
  under: (scenario: Scenario) => number;
  basis: Basis;
  test: TestId | null;
}

const shareIn = (sense: HeldMargin['sense'], value: number, limit: number): number => {
  const utilisation = sense === 'at-most' ? value / limit : limit / value;
  return Number.isFinite(utilisation) && utilisation >= 0 ? utilisation : unboundedUtilisation;
};

function marginOf({ label, unit, limit, sense, under, basis, test }: HeldMargin): UseMargin {
  const utilisationIn = (scenario: Scenario): number => shareIn(sense, under(scenario), limit.value ?? 0);
  const utilisation = utilisationIn(asKnown);
  return {
    label,
    unit,
    value: under(asKnown),
    limit,
    utilisation,
    status: statusOf(utilisation),
    basis,
    range: { worst: statusOf(utilisationIn(worstCase)), best: statusOf(utilisationIn(bestCase)) },
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

const isTraced = ({ readings }: Given): boolean => readings.reflectometer !== undefined;

/** What water in the cable and different earths come to for a use of the line. They were read, so no test turns them. */
const conditionMargins = ({ run, readings }: Given, use: LineUse): UseMargin[] =>
  lineConditions(run, readings, use).map(({ label, unit, value, utilisation, status, derivation }) => ({
    label,
    unit,
    value,
    utilisation,
    status,
    limit: derivation().limit!.figure,
    basis: 'measured',
    range: { worst: status, best: status },
    test: null,
  }));

/** A use that something there rules out, whatever its margins. */
const ruledOut = (use: Use, why: string): Use => ({
  ...use,
  status: 'fails',
  basis: 'typical',
  message: `not fit: ${why}`,
});

/** Volts at the camera by night: as they were read, or as its feed should give. */
function nightMargin({ site, run, camera, findings, readings }: Given): UseMargin {
  const { window } = camera.supply;
  const source = feedSource(site, run);
  const night = findings.verdicts.find(({ id }) => id === 'night-volts')!;
  const read = readings['night-volts'];
  const fed = {
    source,
    loop: findings.powerLoop,
    window,
    watts: camera.watts.night,
    heaterWatts: heaterWatts(camera),
    wattsFrom: 'typical',
  } as const;
  const statusIn = (scenario: Scenario): Status =>
    statusOf(
      read
        ? voltsShare(source.volts, read.value * readFactor(scenario.load), window).utilisation
        : voltsUnder(fed, scenario),
    );
  return {
    label: 'at night',
    unit: 'V',
    value: (night.read ?? night.expected)?.value ?? 0,
    limit: figure('at least', window.minVolts, 'V', window.from),
    utilisation: night.utilisation ?? 0,
    status: statusOf(night.utilisation ?? 0),
    basis: night.basis,
    range: { worst: statusIn(worstCase), best: statusIn(bestCase) },
    test: read ? null : 'night-volts',
  };
}

function pictureUses(given: Given): Use[] {
  const { run, findings } = given;
  if (lineKind(run) === 'mixed') return [];
  const atNight = nightMargin(given);
  const conditions = conditionMargins(given, 'picture');
  return pictureFormats.filter(isLookedAt(given)).map((format) => {
    const known = {
      faultsDb: faultsLossDb(run, findings.events, format.topMHz),
      traced: isTraced(given),
    };
    const loss = marginOf({
      label: `lost at ${format.topMHz} MHz`,
      unit: 'dB',
      limit: figure('at most', format.limitDb, 'dB', 'typical'),
      sense: 'at-most',
      under: (scenario) => pictureLossUnder(run, format, known, scenario),
      basis: 'typical',
      test: known.traced ? null : 'reflectometer',
    });
    const isSoft = loss.status !== 'fails' && loss.value > format.cleanDb;
    return useOf(format.id, format.label, [
      { ...loss, status: isSoft && loss.status === 'holds' ? 'close' : loss.status },
      atNight,
      ...conditions,
    ]);
  });
}

/** Formats that a run is asked about: the usual ones, and the camera's own where it is another. */
const isLookedAt =
  ({ camera }: Given) =>
  ({ id, family }: PictureFormat): boolean =>
    id === 'cvbs' || family === 'analog-hd' || id === camera.format;

/** Ethernet over the coax, with the watts that arrive behind the converter. */
function coaxUse(given: Given): Use[] {
  const { site, run, camera, findings, readings } = given;
  if (lineKind(run) !== 'coax') return [];
  const { mbps, nightWatts } = viewNeed(site, camera).ip;
  const known = {
    extraDb: linkExtraDb(run, faultsLossDb(run, findings.events)),
    traced: isTraced(given),
  };
  const isRead = findings.coaxLoop.from === 'measured';
  const tested = readings.link?.throughputMbps;
  const rate = marginOf({
    label: 'carried',
    unit: 'Mb/s',
    sense: 'at-least',
    limit: figure('wanted', mbps, 'Mb/s', 'typical'),
    under: (scenario) =>
      tested === undefined ? linkRateUnder(run, known, scenario) : tested * readFactor(scenario.loss),
    basis: tested === undefined ? 'typical' : 'measured',
    test: tested === undefined ? 'link' : null,
  });
  const watts = marginOf({
    label: 'arriving',
    unit: 'W',
    sense: 'at-least',
    limit: figure('wanted', nightWatts, 'W', 'typical'),
    under: (scenario) =>
      Math.max(0, coaxReachUnder(findings.coaxLoop, portWatts, scenario) - converter.ownWatts),
    basis: isRead ? 'measured' : 'typical',
    test: isRead ? null : 'coax-loop-ohms',
  });
  const use = useOf(
    'ip-coax',
    'IP over the coax',
    [rate, watts, ...conditionMargins(given, 'data-and-power')],
    `${formatQuantity(rate.value, 'Mb/s')} and ${formatQuantity(watts.value, 'W')}`,
  );
  const blocking = gearInLine(run).find(({ passes }) => !passes.data || !passes.dc);
  return [blocking ? ruledOut(use, `${blocking.label.toLowerCase()} in the line`) : use];
}

function categoryUse(given: Given): Use[] {
  const { site, run, readings } = given;
  if (lineKind(run) !== 'pair') return [];
  const { fixedM, channelM } = categoryChannel(pairStretches(run, readings));
  const isRead = readings['pair-length-m'] !== undefined;
  const spreadM = isRead ? 0 : Math.hypot(...run.segments.map((segment) => segment.spreadM));
  const isClad = hasCladPairs(run);
  const channel = marginOf({
    label: 'long with its cords',
    unit: 'm',
    sense: 'at-most',
    limit: figure('at most', longestChannelM, 'm', 'standard'),
    under: ({ length }) => channelM + spreadM * length,
    basis: 'typical',
    test: spreadM > 3 ? 'pair-length-m' : null,
  });
  // As the option says it: longer than a fixed link may be, or clad aluminium, never simply holds; and a certifier's loss of this
  // very link tells more than its length.
  const isCertified = readings['insertion-loss-db'] !== undefined;
  const isDoubtful = isClad || (!isCertified && fixedM > permanentLinkM);
  const isTooLong = !isCertified && channel.status === 'fails';
  const status: Status = isTooLong ? 'fails' : isDoubtful ? 'close' : 'holds';
  const use = useOf('ip-category', 'IP on the category cable', [
    { ...channel, status },
    ...conditionMargins(given, 'data-and-power'),
  ]);
  // Ethernet with power takes all four pairs.
  const others = sharersByRun(site).get(run.id) ?? [];
  return [
    others.length > 0
      ? ruledOut(use, `the cable carries camera${others.length > 1 ? 's' : ''} ${others.join(', ')} too`)
      : use,
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
  const { powerLoop } = findings;
  const read = readings['power-loop-ohms'] !== undefined;
  const wattsIn = ({ powerOhms, powerTimes }: Scenario): number => {
    const voltAmps = maxLoadWatts({
      sourceVolts: source.volts,
      loopOhms: powerLoop.ohms * ohmsFactor(basisOf(powerLoop.from), powerOhms, powerTimes),
      minLoadVolts: minVolts,
      sourceLimitWatts: source.limitWatts,
    });
    return wattsOf(voltAmps ?? source.limitWatts, source.current);
  };
  return [
    useOf('power', 'Power over its own cores', [
      marginOf({
        label: `arriving at ${formatQuantity(minVolts, 'V')} or more`,
        unit: 'W',
        sense: 'at-least',
        limit: figure('wanted', camera.watts.night, 'W', 'noted'),
        under: wattsIn,
        basis: powerLoop.from === 'measured' ? 'measured' : 'typical',
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
