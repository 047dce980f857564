import { conductorOhms, pathLossCoefficients, pathLossDb, signalCable } from '#core/physics/cable';
import {
  extraPictureLossDb,
  faultsLossDb,
  lengthFigure,
  pictureOver,
  runLengthM,
  voltsAtLoad,
  voltsShare,
  type Loop,
} from '#core/test/findings';
import {
  poeSourceVolts,
  dcFeed,
  ethernetChannelM,
  maxLoadWatts,
  poeClassFor,
  poeClasses,
  poeMinDeviceVolts,
  poePairsFed,
  type PoeClass,
} from '#core/physics/power';
import { linkConverters, linkRateOver, soundJointLossDb, type PictureFormat } from '#core/physics/signal';
import type { ProductOf, Run } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import {
  basisOf,
  figure,
  unboundedUtilisation,
  statusOf,
  type Basis,
  type Figure,
  type Source,
  type Step,
} from '#core/shared/derivation';
import type { Context } from './context';
import {
  loadSpread,
  lossSpread,
  ohmsFactor,
  readSpread,
  unseenDb,
  type Scenario,
} from '#core/decide/scenarios';
import type { Margin } from './option';
import type { CameraFigures } from '#core/model/views';

const enough = (need: number, have: number): number =>
  need <= 0 ? 0 : have > 0 ? need / have : unboundedUtilisation;

/** Whether a trace has looked along the run, so that its joints are known. */
const isTraced = ({ readings }: Context): boolean => readings.reflectometer !== undefined;

export function pictureMarginOf(context: Context, format: PictureFormat): Margin {
  const { run, findings } = context;
  const faultsDb = faultsLossDb(run, findings.events);
  const { lossDb, utilisation, status, derivation } = pictureOver(run, format, faultsDb);
  return {
    kind: 'picture-loss',
    label: `picture, ${format.label}`,
    unit: 'dB',
    value: lossDb,
    utilisation,
    status,
    basis: 'typical',
    unread: !isTraced(context),
    derivation,
    under: (future) => {
      const cableDb = pathLossDb(run.segments, format.topMHz) * Math.max(0.5, 1 + lossSpread * future.loss);
      return (
        (cableDb + extraPictureLossDb(run) + faultsDb + unseenDb(isTraced(context), future)) / format.limitDb
      );
    },
  };
}

/** Share of the drop that a constant-power load uses, the loop and the load as a future has them. */
function voltsUnder(
  { source, camera, findings: { powerLoop } }: Context,
  watts: number,
  from: 'typical' | 'data-sheet',
  future: Scenario,
): number {
  const { window } = camera.supply;
  const feed = dcFeed({
    sourceVolts: source.volts,
    loopOhms: powerLoop.ohms * ohmsFactor(basisOf(powerLoop.from), future.powerOhms),
    minLoadVolts: window.minVolts,
    sourceLimitWatts: source.limitWatts,
    load: { kind: 'watts', watts: watts * Math.max(0.3, 1 + loadSpread[from] * future.load) },
  });
  return voltsShare(source.volts, feed.state === 'collapsed' ? 0 : feed.loadVolts, window).utilisation;
}

/** Volts by night at a camera of `nightWatts` on the power that feeds the run today. */
export function nightVoltsMargin(context: Context, nightWatts: Figure): Margin {
  const { camera, source, findings } = context;
  const { window } = camera.supply;
  const { volts, steps } = voltsAtLoad(source, findings.powerLoop, nightWatts, window);
  const { utilisation, status } = voltsShare(source.volts, volts, window);
  const from = nightWatts.from === 'data-sheet' ? 'data-sheet' : 'typical';
  return {
    kind: 'night-volts',
    label: 'volts by night',
    unit: 'V',
    value: volts,
    utilisation,
    status,
    basis: basisOf(findings.powerLoop.from, nightWatts.from),
    unread: findings.powerLoop.from !== 'measured' && context.run.feed.kind !== 'local-adapter',
    derivation: () => ({
      title: `Volts by night, ${formatQuantity(volts, 'V')}`,
      steps: steps(),
      limit: { sense: 'at-least', figure: figure('lowest of the camera', window.minVolts, 'V', window.from) },
      conclusion:
        volts === 0
          ? 'The supply collapses under this load.'
          : `${formatQuantity(Math.abs(volts - window.minVolts), 'V')} ${volts >= window.minVolts ? 'to spare' : 'too little'}.`,
    }),
    under: (future) => voltsUnder(context, nightWatts.value ?? 0, from, future),
  };
}

/** Night volts as they were read, for keeping what hangs there; predicted where nobody has read them. */
export function keptVoltsMargin(context: Context): Margin {
  const { camera, source, findings } = context;
  const verdict = findings.verdicts.find(({ id }) => id === 'night-volts')!;
  const value = (verdict.read ?? verdict.expected)?.value ?? 0;
  const wrongRail = source.current !== camera.supply.current;
  const status = wrongRail ? 'fails' : statusOf(verdict.utilisation ?? 0);
  return {
    kind: 'night-volts',
    label: 'volts by night',
    unit: 'V',
    value,
    utilisation: verdict.utilisation ?? 0,
    status,
    basis: verdict.basis,
    unread: !verdict.read,
    derivation: verdict.derivation,
    under: (future) => {
      if (wrongRail) return unboundedUtilisation;
      return verdict.read
        ? voltsShare(source.volts, value * (1 - readSpread * future.load), camera.supply.window).utilisation
        : voltsUnder(context, camera.watts.night, 'typical', future);
    },
  };
}

interface WattsOver {
  need: Figure;
  have: number;
  loopFrom: Source;
  basis?: Basis;
  unread: boolean;
  steps: () => Step[];
  limitSays: string;
  under: (future: Scenario) => number;
}

function wattsMargin({ need, have, loopFrom, basis, unread, steps, limitSays, under }: WattsOver): Margin {
  const utilisation = enough(need.value ?? 0, have);
  return {
    kind: 'watts',
    label: 'watts that arrive',
    unit: 'W',
    value: have,
    utilisation,
    status: statusOf(utilisation),
    basis: basis ?? basisOf(loopFrom),
    unread,
    derivation: () => ({
      title: `Watts that arrive, ${formatQuantity(have, 'W')}`,
      steps: steps(),
      limit: { sense: 'at-least', figure: need },
      conclusion: utilisation <= 1 ? `${formatQuantity(have - (need.value ?? 0), 'W')} to spare.` : limitSays,
    }),
    under,
  };
}

/** The model that stands for converters without a data sheet's table. */
const model = linkConverters[0]!;

type Converter = ProductOf<'converter'>;

/** What a data sheet promises at this length: the row of the next longer distance, nothing beyond the last. */
function promised(
  { distances }: Converter,
  lengthM: number,
): { lengthM: number; mbps: number; watts: number } | undefined {
  return (
    distances &&
    (distances.find((row) => row.lengthM >= lengthM) ?? {
      lengthM: distances.at(-1)!.lengthM,
      mbps: 0,
      watts: 0,
    })
  );
}

/** What a table's figure comes to where the model gives more or less than it does for the figures as they are known. */
const byTable = (promise: number, modelled: number, asKnown: number): number =>
  promise * (asKnown > 0 ? Math.min(1, modelled / asKnown) : 1);

const tableStep = (lengthM: Figure, name: string, value: number, unit: 'W' | 'Mb/s'): Step => ({
  message: 'By the data sheet at the next longer distance',
  formula: 'distance-table',
  inputs: [lengthM],
  result: figure(name, value, unit, 'data-sheet'),
});

const loadAt = (need: number, from: 'typical' | 'data-sheet', { load }: Scenario): number =>
  need * Math.max(0.3, 1 + loadSpread[from] * load);

const coaxReaches = (loop: Pick<Loop, 'ohms'>, ohmsTimes: number, sourceLimitWatts: number): number =>
  maxLoadWatts({
    sourceVolts: poeSourceVolts,
    loopOhms: loop.ohms * ohmsTimes,
    minLoadVolts: model.minInputVolts,
    sourceLimitWatts,
  }) ?? sourceLimitWatts;

/**
 * Watts left for the camera at the far end of a coax that carries the power: the source's own limit, the loop,
 * the least volts of the converter, and then what the converter takes for itself. A data sheet's table is for sound cable
 * of the construction it names: it decides while nobody has read the loop, and a loop that was read and leaves less counts.
 */
export function coaxWattsMargin(
  context: Context,
  converter: Converter,
  sourceLimitWatts: number,
  needWatts: number,
): Margin {
  const {
    findings: { coaxLoop },
    need: { ip },
    run,
    readings,
  } = context;
  const reaches = coaxReaches(coaxLoop, 1, sourceLimitWatts);
  const modelled = Math.max(0, reaches - converter.ownWatts);
  const row = promised(converter, runLengthM(run));
  const delivered = readings.link?.deliveredWatts;
  const deliverable = (left: number): number => {
    if (delivered !== undefined) return delivered;
    if (!row) return left;
    return coaxLoop.from === 'measured' ? Math.min(row.watts, left) : byTable(row.watts, left, modelled);
  };
  const have = deliverable(modelled);
  const need = figure('camera by night', needWatts, 'W', ip.from);
  const tableDecides = row !== undefined && coaxLoop.from !== 'measured';
  const basis: Basis =
    delivered !== undefined ? 'measured' : tableDecides ? 'data-sheet' : basisOf(coaxLoop.from);
  return wattsMargin({
    need,
    have,
    loopFrom: coaxLoop.from,
    basis,
    unread: coaxLoop.from !== 'measured' && delivered === undefined,
    limitSays: 'Too little is left of the power at the far end.',
    under: (future) => {
      const left = Math.max(
        0,
        coaxReaches(
          coaxLoop,
          ohmsFactor(basisOf(coaxLoop.from), future.coaxOhms, future.steel),
          sourceLimitWatts,
        ) - converter.ownWatts,
      );
      // A table for copper says nothing of steel.
      const arrives = future.steel ? Math.min(left, deliverable(left)) : deliverable(left);
      return enough(loadAt(needWatts, ip.from, future), delivered ?? arrives);
    },
    steps: () => [
      coaxLoop.step(),
      {
        message: 'Most that can reach the converter',
        formula: 'most-watts',
        result: figure('reaches', reaches, 'W', 'computed'),
        inputs: [
          figure('source', poeSourceVolts, 'V', 'typical'),
          figure('loop', coaxLoop.ohms, 'Ω', coaxLoop.from),
          figure('least at the converter', model.minInputVolts, 'V', 'typical'),
          figure('source gives', sourceLimitWatts, 'W', 'standard'),
        ],
      },
      {
        message: 'Left for the camera',
        formula: 'most-watts',
        result: figure('left', modelled, 'W', 'computed'),
        inputs: [
          figure('reaches', reaches, 'W', 'computed'),
          figure('converter takes', converter.ownWatts, 'W', converter.from),
        ],
      },
      ...(row ? [tableStep(lengthFigure(run), 'left', row.watts, 'W')] : []),
      ...(delivered === undefined
        ? []
        : [
            {
              message: 'Delivered when the link was tested',
              formula: 'against-limit' as const,
              inputs: [],
              result: figure('delivered', delivered, 'W', 'measured'),
            },
          ]),
    ],
  });
}

/** Rate of the coax link against what the camera streams: as tested, by the data sheet, or by the model, whichever is known best. */
export function coaxRateMargin(context: Context, converter: Converter, newJointsDb: number): Margin {
  const {
    run,
    need: { ip },
    findings,
    readings,
  } = context;
  const extra =
    run.segments.filter((segment) => segment.joint).length * soundJointLossDb +
    faultsLossDb(run, findings.events) +
    newJointsDb;
  const loss = pathLossCoefficients(run.segments);
  const modelled = linkRateOver(model, loss, extra);
  const row = promised(converter, runLengthM(run));
  const tested = readings.link?.throughputMbps;
  const have = tested ?? row?.mbps ?? modelled;
  const utilisation = enough(ip.mbps, have);
  return {
    kind: 'link-rate',
    label: 'link rate',
    unit: 'Mb/s',
    value: have,
    utilisation,
    status: statusOf(utilisation),
    basis: tested !== undefined ? 'measured' : row ? 'data-sheet' : 'typical',
    unread: tested === undefined,
    derivation: () => ({
      title: `Link rate, ${formatQuantity(have, 'Mb/s')}`,
      steps: [
        {
          message: 'Rate over this coax',
          formula: 'link-rate',
          inputs: [lengthFigure(run), figure('joints and faults', extra, 'dB', 'typical')],
          result: figure('rate', modelled, 'Mb/s', 'typical'),
        },
        ...(row ? [tableStep(lengthFigure(run), 'rate', row.mbps, 'Mb/s')] : []),
        ...(tested === undefined
          ? []
          : [
              {
                message: 'Throughput when the link was tested',
                formula: 'against-limit' as const,
                inputs: [],
                result: figure('throughput', tested, 'Mb/s', 'measured'),
              },
            ]),
      ],
      limit: { sense: 'at-least', figure: figure('camera streams', ip.mbps, 'Mb/s', ip.mbpsFrom) },
      conclusion: utilisation <= 1 ? 'Carries the stream with room.' : 'Does not carry the stream.',
    }),
    under: (future) => {
      const wanted = loadAt(ip.mbps, ip.mbpsFrom, future);
      if (tested !== undefined) return enough(wanted, tested * (1 - readSpread * future.loss));
      const times = Math.max(0.5, 1 + lossSpread * future.loss);
      const carried = linkRateOver(
        model,
        { a: loss.a * times, b: loss.b * times, c: loss.c * times },
        extra + unseenDb(isTraced(context), future),
      );
      return enough(wanted, row ? byTable(row.mbps, carried, modelled) : carried);
    },
  };
}

/** Whether watts and rate would both hold, by the model, on so large a share of the coax that is there. */
export function coaxHoldsAt(
  { run, need: { ip }, findings }: Context,
  converter: Converter,
  sourceLimitWatts: number,
  newJointsDb: number,
): (share: number) => boolean {
  const loss = pathLossCoefficients(run.segments);
  const extra =
    run.segments.filter((segment) => segment.joint).length * soundJointLossDb +
    faultsLossDb(run, findings.events) +
    newJointsDb;
  return (share) =>
    coaxReaches(findings.coaxLoop, share, sourceLimitWatts) - converter.ownWatts >= ip.nightWatts &&
    linkRateOver(model, { a: loss.a * share, b: loss.b * share, c: loss.c * share }, extra) >= ip.mbps;
}

/** Length of an Ethernet channel against the 100 m it may have. */
export function channelMargin(lengthM: number, from: Figure['from'], spreadM: number): Margin {
  const utilisation = lengthM / ethernetChannelM;
  return {
    kind: 'channel',
    label: 'channel',
    unit: 'm',
    value: lengthM,
    utilisation,
    basis: from === 'measured' ? 'measured' : 'typical',
    unread: from !== 'measured',
    under: ({ length }) => (lengthM + spreadM * length) / ethernetChannelM,
    // A channel of 95 m is as good as one of 20: only more than 100 m breaks it.
    status: utilisation > 1 ? 'fails' : 'holds',
    derivation: () => ({
      title: `Channel, ${formatQuantity(lengthM, 'm')}`,
      steps: [
        {
          message: 'Length of the channel',
          formula: 'channel-length',
          inputs: [figure('length', lengthM, 'm', from)],
          result: figure('channel', lengthM, 'm', from),
        },
      ],
      limit: { sense: 'at-most', figure: figure('longest channel', ethernetChannelM, 'm', 'standard') },
      conclusion: utilisation > 1 ? 'Too long for Ethernet, whatever feeds it.' : 'Within the channel.',
    }),
  };
}

const pairPathOhms = (
  stretches: readonly { cable: string; lengthM: number; temperatureC: number }[],
): number =>
  stretches.reduce((sum, { cable, lengthM, temperatureC }) => {
    const line = signalCable(cable);
    return line.kind === 'pair' ? sum + conductorOhms(line.conductor, lengthM, temperatureC) : sum;
  }, 0);

/** Watts over category cable from a PoE port of one class. Two fed pairs make a loop of one conductor, four of half. */
function poeWatts(conductorLoopOhms: number, row: PoeClass): number {
  const loopOhms = poePairsFed(row.poeClass) === 4 ? conductorLoopOhms / 2 : conductorLoopOhms;
  const most =
    maxLoadWatts({
      sourceVolts: poeSourceVolts,
      loopOhms,
      minLoadVolts: poeMinDeviceVolts(row.poeClass),
      sourceLimitWatts: row.sourceWatts,
    }) ?? row.sourceWatts;
  return Math.min(most, row.deviceWatts);
}

export interface PoeMargin {
  margin: Margin;
  sourceWatts: number;
}

/** Watts from the lowest PoE class that serves the camera over these stretches of category cable. */
export function poeMargin(
  stretches: readonly { cable: string; lengthM: number; temperatureC: number }[],
  { nightWatts, from }: Pick<CameraFigures, 'nightWatts' | 'from'>,
  lengthFrom: Figure,
): PoeMargin {
  const ohms = pairPathOhms(stretches);
  const wanted = poeClassFor(nightWatts) ?? poeClasses[8];
  const row =
    poeClasses
      .filter(({ poeClass, sourceWatts }) => poeClass > 0 && sourceWatts >= wanted.sourceWatts)
      .find((candidate) => poeWatts(ohms, candidate) >= nightWatts) ?? wanted;
  const have = poeWatts(ohms, row);
  return {
    sourceWatts: row.sourceWatts,
    margin: wattsMargin({
      need: figure('camera by night', nightWatts, 'W', from),
      have,
      loopFrom: 'typical',
      unread: lengthFrom.from !== 'measured',
      limitSays: 'Too little power arrives for this camera.',
      // A port gives what its class may draw; a camera that turns out hungrier asks for the next class.
      under: (future) =>
        enough(
          loadAt(nightWatts, from, future),
          poeWatts(ohms * ohmsFactor('typical', future.coaxOhms), row),
        ),
      steps: () => [
        {
          message: 'Loop of the fed pairs',
          formula: 'power-loop',
          inputs: [lengthFrom],
          result: figure('loop', ohms, 'Ω', 'typical'),
        },
        {
          message: `Most that can arrive, class ${row.poeClass}`,
          formula: 'most-watts',
          inputs: [
            figure('source', poeSourceVolts, 'V', 'typical'),
            figure('loop', ohms, 'Ω', 'typical'),
            figure('class gives', row.sourceWatts, 'W', 'standard'),
            figure('class lets in', row.deviceWatts, 'W', 'standard'),
          ],
          result: figure('arrives', have, 'W', 'computed'),
        },
      ],
    }),
  };
}

/** A run as stretches that know their temperature. */
export function stretchesOf(run: Run): { cable: string; lengthM: number; temperatureC: number }[] {
  return run.segments.map(({ cable, lengthM, temperatureC }) => ({ cable, lengthM, temperatureC }));
}
