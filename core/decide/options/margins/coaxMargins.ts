import { runLengthM } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { coaxSourceVolts, dcFeed } from '#core/physics/power';
import { linkConverters } from '#core/physics/signal';
import { faultsLossDb, lengthFigure } from '#core/test/findings';
import {
  asKnown,
  coaxReachUnder,
  linkExtraDb,
  linkRateUnder,
  loadFactor,
  readFactor,
  type Scenario,
} from '#core/test/scenarios';
import { basisOf, figure, statusOf, type Basis, type Step } from '#core/shared/derivation';
import type { Context } from '../context';
import type { Margin } from '../option';
import { byTable, promised, tableStep, type Converter } from './dataSheet';
import { isTraced } from './isTraced';
import { enough, wattsMargin } from './wattsMargin';

/** What a test of the link has read, where there was one. */
const testedSteps = (message: string, name: string, value: number | undefined, unit: 'W' | 'Mb/s'): Step[] =>
  value === undefined
    ? []
    : [{ message, formula: 'against-limit', inputs: [], result: figure(name, value, unit, 'measured') }];

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
  const reaches = coaxReachUnder(coaxLoop, sourceLimitWatts, asKnown);
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
  const arrivesUnder = (scenario: Scenario): number => {
    if (delivered !== undefined) return delivered;
    const left = Math.max(0, coaxReachUnder(coaxLoop, sourceLimitWatts, scenario) - converter.ownWatts);
    // A table for sound copper says nothing of another line.
    return scenario.coaxTimes > 1 ? Math.min(left, deliverable(left)) : deliverable(left);
  };
  return wattsMargin({
    need,
    have,
    loopFrom: coaxLoop.from,
    basis,
    unread: coaxLoop.from !== 'measured' && delivered === undefined,
    limitSays: 'Too little is left of the power at the far end.',
    under: (scenario) => enough(needWatts * loadFactor(ip.from, scenario), arrivesUnder(scenario)),
    valueUnder: arrivesUnder,
    steps: () => [
      coaxLoop.step(),
      {
        message: 'Most that can reach the converter',
        formula: 'most-watts',
        result: figure('reaches', reaches, 'W', 'computed'),
        inputs: [
          figure('source gives at least', coaxSourceVolts, 'V', 'standard'),
          figure('loop', coaxLoop.ohms, 'Ω', coaxLoop.from),
          figure('least at the converter', linkConverters[0]!.minInputVolts, 'V', 'typical'),
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
      ...testedSteps('Delivered when the link was tested', 'delivered', delivered, 'W'),
    ],
  });
}

/** Rate of the coax link against what the camera streams: as tested, by the data sheet, or by the model, whichever is known best. */
export function coaxRateMargin(
  context: Pick<Context, 'run' | 'findings' | 'readings'> & {
    need: { ip: Pick<Context['need']['ip'], 'mbps' | 'mbpsFrom'> };
  },
  converter: Converter,
  newJointsDb: number,
): Margin {
  const {
    run,
    need: { ip },
    findings,
    readings,
  } = context;
  const extraDb = linkExtraDb(run, faultsLossDb(run, findings.events), newJointsDb);
  const traced = isTraced(context);
  const modelled = linkRateUnder(run, { extraDb, traced }, asKnown);
  const row = promised(converter, runLengthM(run));
  const tested = readings.link?.throughputMbps;
  const have = tested ?? row?.mbps ?? modelled;
  const utilisation = enough(ip.mbps, have);
  const carriedUnder = (scenario: Scenario): number => {
    if (tested !== undefined) return tested * readFactor(scenario.loss);
    const carried = linkRateUnder(run, { extraDb, traced }, scenario);
    return row ? byTable(row.mbps, carried, modelled) : carried;
  };
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
          inputs: [lengthFigure(run), figure('joints and faults', extraDb, 'dB', 'typical')],
          result: figure('rate', modelled, 'Mb/s', 'typical'),
        },
        ...(row ? [tableStep(lengthFigure(run), 'rate', row.mbps, 'Mb/s')] : []),
        ...testedSteps('Throughput when the link was tested', 'throughput', tested, 'Mb/s'),
      ],
      limit: { sense: 'at-least', figure: figure('camera streams', ip.mbps, 'Mb/s', ip.mbpsFrom) },
      conclusion: utilisation <= 1 ? 'Carries the stream with room.' : 'Does not carry the stream.',
    }),
    under: (scenario) => enough(ip.mbps * loadFactor(ip.mbpsFrom, scenario), carriedUnder(scenario)),
    valueUnder: carriedUnder,
  };
}

/** Whether watts and rate would both hold, by the model, on so large a share of the coax that is there. */
export function coaxHoldsAt(
  { run, need: { ip }, findings }: Context,
  converter: Converter,
  sourceLimitWatts: number,
  newJointsDb: number,
): (share: number) => boolean {
  const extraDb = linkExtraDb(run, faultsLossDb(run, findings.events), newJointsDb);
  return (share) =>
    coaxReachUnder(findings.coaxLoop, sourceLimitWatts, asKnown, share) - converter.ownWatts >=
      ip.nightWatts && linkRateUnder(run, { extraDb, traced: true, lossTimes: share }, asKnown) >= ip.mbps;
}

/**
 * Watts that a head-end unit gives for a camera and its converter at the far end: what they take, and what warms the coax on
 * the way. A feed with no working point takes all that a port may give.
 */
export function coaxSourceWatts(
  { findings: { coaxLoop } }: Context,
  loadWatts: number,
  sourceLimitWatts: number,
): number {
  const feed = dcFeed({
    sourceVolts: coaxSourceVolts,
    loopOhms: coaxLoop.ohms,
    load: { kind: 'watts', watts: loadWatts },
    minLoadVolts: 0,
  });
  return feed.state === 'collapsed' ? sourceLimitWatts : Math.min(feed.sourceWatts, sourceLimitWatts);
}
