import { conductorOhms, signalCable } from '#core/cable';
import { faultsLossDb, lengthFigure, pictureOver, voltsAtLoad, voltsShare } from '#core/findings';
import { ethernetChannelM, maxLoadWatts, poeClassFor, poeClasses, poeMinDeviceVolts, poePairsFed, type PoeClass } from '#core/power';
import { linkRateMbps, soundJointLossDb, type LinkConverter, type PictureFormat } from '#core/signal';
import type { Run } from '#core/site';
import { formatQuantity } from '#core/units';
import { basisOf, figure, neverEnough, standingOf, type Figure, type Source, type Step } from '#core/working';
import type { Context } from './context';
import type { Margin } from './option';

/** Volts at the terminals of a usual PoE source. Typical; the standard allows 50 to 57 V for classes 4 and up. */
export const poeSourceVolts = 54;

const enough = (need: number, have: number): number => (have > 0 ? need / have : neverEnough);

export function pictureMarginOf({ run, findings }: Context, format: PictureFormat): Margin {
  const { lossDb, share, standing, working } = pictureOver(run, format, faultsLossDb(run, findings.events));
  return { label: `picture, ${format.label}`, unit: 'dB', value: lossDb, share, standing, basis: 'typical', working };
}

/** Volts by night at a camera of `nightWatts` on the power that feeds the run today. */
export function nightVoltsMargin(context: Context, nightWatts: Figure): Margin {
  const { camera, source, findings } = context;
  const { window } = camera.supply;
  const { volts, steps } = voltsAtLoad(source, findings.powerLoop, nightWatts, window);
  const { share, standing } = voltsShare(source.volts, volts, window);
  return {
    label: 'volts by night', unit: 'V', value: volts, share, standing, basis: basisOf(findings.powerLoop.from, nightWatts.from),
    working: () => ({
      title: `Volts by night, ${formatQuantity(volts, 'V')}`, steps: steps(),
      limit: { sense: 'at-least', figure: figure('lowest of the camera', window.minVolts, 'V', window.from) },
      conclusion: volts === 0 ? 'The supply collapses under this load.' : `${formatQuantity(Math.abs(volts - window.minVolts), 'V')} ${volts >= window.minVolts ? 'to spare' : 'too little'}.`,
    }),
  };
}

/** Night volts as they were read, for keeping what hangs there; predicted where nobody has read them. */
export function keptVoltsMargin(context: Context): Margin {
  const verdict = context.findings.verdicts.find(({ id }) => id === 'night-volts')!;
  const value = (verdict.read ?? verdict.expected)?.value ?? 0;
  const wrongRail = context.source.current !== context.camera.supply.current;
  const standing = wrongRail ? 'fails' : standingOf(verdict.share ?? 0);
  return { label: 'volts by night', unit: 'V', value, share: verdict.share ?? 0, standing, basis: verdict.basis, working: verdict.working };
}

function wattsMargin(need: Figure, have: number, loopFrom: Source, steps: () => Step[], limitSays: string): Margin {
  const share = enough(need.value ?? 0, have);
  return {
    label: 'watts that arrive', unit: 'W', value: have, share, standing: standingOf(share), basis: basisOf(loopFrom),
    working: () => ({
      title: `Watts that arrive, ${formatQuantity(have, 'W')}`, steps: steps(), limit: { sense: 'at-least', figure: need },
      conclusion: share <= 1 ? `${formatQuantity(have - (need.value ?? 0), 'W')} to spare.` : limitSays,
    }),
  };
}

/**
 * Watts left for the camera at the far end of a coax that carries the power: the source's own limit, the loop,
 * the least volts of the converter, and then what the converter takes for itself.
 */
export function coaxWattsMargin({ findings, target }: Context, converter: LinkConverter, sourceLimitWatts: number): Margin {
  const { coaxLoop } = findings;
  const reaches = maxLoadWatts({ sourceVolts: poeSourceVolts, loopOhms: coaxLoop.ohms, minLoadVolts: converter.minInputVolts, sourceLimitWatts }) ?? sourceLimitWatts;
  const have = Math.max(0, reaches - converter.ownWatts);
  const need = figure('camera by night', target.ip.nightWatts, 'W', 'typical');
  return wattsMargin(need, have, coaxLoop.from, () => [
    coaxLoop.step(),
    {
      says: 'Most that can reach the converter', formula: 'most-watts', result: figure('reaches', reaches, 'W', 'computed'),
      inputs: [figure('source', poeSourceVolts, 'V', 'typical'), figure('loop', coaxLoop.ohms, 'Ω', coaxLoop.from), figure('least at the converter', converter.minInputVolts, 'V', 'typical'), figure('source gives', sourceLimitWatts, 'W', 'standard')],
    },
    {
      says: 'Left for the camera', formula: 'most-watts', result: figure('left', have, 'W', 'computed'),
      inputs: [figure('reaches', reaches, 'W', 'computed'), figure('converter takes', converter.ownWatts, 'W', 'typical')],
    },
  ], 'Too little is left of the power at the far end.');
}

/** Rate of the coax link against what the camera streams. */
export function coaxRateMargin({ run, target, findings }: Context, converter: LinkConverter): Margin {
  const extra = run.segments.filter((segment) => segment.joint).length * soundJointLossDb + faultsLossDb(run, findings.events);
  const have = linkRateMbps(converter, run.segments, extra);
  const share = enough(target.ip.mbps, have);
  return {
    label: 'link rate', unit: 'Mb/s', value: have, share, standing: standingOf(share), basis: 'typical',
    working: () => ({
      title: `Link rate, ${formatQuantity(have, 'Mb/s')}`,
      steps: [{ says: 'Rate over this coax', formula: 'link-rate', inputs: [lengthFigure(run), figure('joints and faults', extra, 'dB', 'typical')], result: figure('rate', have, 'Mb/s', 'typical') }],
      limit: { sense: 'at-least', figure: figure('camera streams', target.ip.mbps, 'Mb/s', 'typical') },
      conclusion: share <= 1 ? 'Carries the stream with room.' : 'Does not carry the stream.',
    }),
  };
}

/** Length of an Ethernet channel against the 100 m it may have. */
export function channelMargin(lengthM: number, from: Figure['from']): Margin {
  const share = lengthM / ethernetChannelM;
  return {
    label: 'channel', unit: 'm', value: lengthM, share, basis: from === 'measured' ? 'measured' : 'typical',
    // A channel of 95 m is as good as one of 20: only more than 100 m breaks it.
    standing: share > 1 ? 'fails' : 'holds',
    working: () => ({
      title: `Channel, ${formatQuantity(lengthM, 'm')}`, steps: [{ says: 'Length of the channel', formula: 'channel-length', inputs: [figure('length', lengthM, 'm', from)], result: figure('channel', lengthM, 'm', from) }],
      limit: { sense: 'at-most', figure: figure('longest channel', ethernetChannelM, 'm', 'standard') },
      conclusion: share > 1 ? 'Too long for Ethernet, whatever feeds it.' : 'Within the channel.',
    }),
  };
}

const pairPathOhms = (stretches: readonly { cable: string; lengthM: number; temperatureC: number }[]): number =>
  stretches.reduce((sum, { cable, lengthM, temperatureC }) => {
    const line = signalCable(cable);
    return line.kind === 'pair' ? sum + conductorOhms(line.conductor, lengthM, temperatureC) : sum;
  }, 0);

/** Watts over category cable from a PoE port of one class. Two fed pairs make a loop of one conductor, four of half. */
function poeWatts(conductorLoopOhms: number, row: PoeClass): number {
  const loopOhms = poePairsFed(row.poeClass) === 4 ? conductorLoopOhms / 2 : conductorLoopOhms;
  const most = maxLoadWatts({ sourceVolts: poeSourceVolts, loopOhms, minLoadVolts: poeMinDeviceVolts(row.poeClass), sourceLimitWatts: row.sourceWatts }) ?? row.sourceWatts;
  return Math.min(most, row.deviceWatts);
}

export interface PoeMargin { margin: Margin; sourceWatts: number }

/** Watts from the lowest PoE class that serves the camera over these stretches of category cable. */
export function poeMargin(stretches: readonly { cable: string; lengthM: number; temperatureC: number }[], needWatts: number, lengthFrom: Figure): PoeMargin {
  const ohms = pairPathOhms(stretches);
  const wanted = poeClassFor(needWatts) ?? poeClasses[8];
  const row = poeClasses.filter(({ poeClass, sourceWatts }) => poeClass > 0 && sourceWatts >= wanted.sourceWatts).find((candidate) => poeWatts(ohms, candidate) >= needWatts) ?? wanted;
  const have = poeWatts(ohms, row);
  const need = figure('camera by night', needWatts, 'W', 'typical');
  return {
    sourceWatts: row.sourceWatts,
    margin: wattsMargin(need, have, 'typical', () => [
      { says: 'Loop of the fed pairs', formula: 'power-loop', inputs: [lengthFrom], result: figure('loop', ohms, 'Ω', 'typical') },
      { says: `Most that can arrive, class ${row.poeClass}`, formula: 'most-watts', inputs: [figure('source', poeSourceVolts, 'V', 'typical'), figure('loop', ohms, 'Ω', 'typical'), figure('class gives', row.sourceWatts, 'W', 'standard'), figure('class lets in', row.deviceWatts, 'W', 'standard')], result: figure('arrives', have, 'W', 'computed') },
    ], 'Too little power arrives for this camera.'),
  };
}

/** A run as stretches that know their temperature. */
export function stretchesOf(run: Run): { cable: string; lengthM: number; temperatureC: number }[] {
  return run.segments.map(({ cable, lengthM, temperatureC }) => ({ cable, lengthM, temperatureC }));
}

