import { arrivingVolts, type CameraLoad } from '#core/physics/power';
import { coldPowerOhms, voltsShare, wasSeenRunning } from '#core/test/findings';
import { loadFactor, ohmsFactor, type Scenario } from '#core/test/scenarios';
import { formatQuantity } from '#core/shared/units';
import { basisOf, figure, statusOf } from '#core/shared/derivation';
import type { Camera } from '#core/model/site';
import type { Context } from '../context';
import type { Loads } from '../draws';
import type { Margin } from '../option';

type Window = Camera['supply']['window'];
type Fed = Pick<Context, 'run' | 'source' | 'findings' | 'readings'>;

const times = ({ voltAmps, heaterOhms }: CameraLoad, factor: number): CameraLoad => ({
  voltAmps: voltAmps * factor,
  heaterOhms: heaterOhms === undefined ? undefined : heaterOhms / factor,
});

/**
 * In the moment of its start a camera takes most, and one that gets too little begins again and again. One that hangs there and was
 * seen running has started so far, which a figure of what it takes does not gainsay: it is never more than close.
 */
function startMargin(
  { source, findings: { powerLoop } }: Fed,
  window: Window,
  load: CameraLoad,
  hasStarted: boolean,
): Margin {
  const most = hasStarted ? 1 : Infinity;
  const at = (ohms: number, factor: number): number =>
    arrivingVolts({ sourceVolts: source.volts, loopOhms: powerLoop.ohms * ohms, ...times(load, factor) });
  const volts = at(1, 1);
  const share = (arriving: number): number =>
    Math.min(most, voltsShare(source.volts, arriving, window).utilisation);
  const utilisation = share(volts);
  const isLow = volts < window.minVolts;
  const basis = basisOf(powerLoop.from);
  return {
    kind: 'start-volts',
    label: 'volts at start-up',
    unit: 'V',
    value: volts,
    utilisation,
    status: statusOf(utilisation),
    basis,
    unread: false,
    derivation: () => ({
      title: `Volts at start-up, ${formatQuantity(volts, 'V')}`,
      steps: [
        powerLoop.step(),
        {
          message: 'Volts that arrive in the moment of the start',
          formula: 'dc-feed',
          inputs: [
            figure(source.name, source.volts, 'V', source.isNoted ? 'noted' : 'computed'),
            figure('loop', powerLoop.ohms, 'Ω', powerLoop.from),
            figure('volt-amperes at start-up', load.voltAmps, 'VA', 'noted'),
          ],
          result: figure('at the camera', volts, 'V', 'computed'),
        },
      ],
      limit: { sense: 'at-least', figure: figure('lowest of the camera', window.minVolts, 'V', window.from) },
      conclusion: !isLow
        ? 'It starts.'
        : hasStarted
          ? 'Below its window as it starts. It has started so far; after a power cut or with age it may not.'
          : 'It may start again and again: its volts fall too low as it starts.',
    }),
    under: (scenario) =>
      share(at(ohmsFactor(basis, scenario.powerOhms, scenario.powerTimes), loadFactor('typical', scenario))),
  };
}

/** Share of the upper half of a window that is used: 0 in its middle and below, 1 at its top. */
const upperShare = (volts: number, { minVolts, maxVolts }: Window): number => {
  const middle = (minVolts + maxVolts) / 2;
  return Math.max(0, (volts - middle) / (maxVolts - middle));
};

/** What is not known is as likely to either side; here less loop and less load are the bad side of it. */
const turned = (scenario: Scenario): Scenario => ({
  ...scenario,
  powerOhms: -scenario.powerOhms,
  load: -scenario.load,
});

/** The most volts that the source may give: as set or charged, or what somebody has read beyond that at the camera. */
const sourceAtMost = ({ source, readings }: Fed): number =>
  Math.max(source.highestVolts, readings['day-volts']?.value ?? 0, readings['night-volts']?.value ?? 0);

function highestMargin(fed: Fed, window: Window, load: CameraLoad, readVolts: number): Margin {
  const { run, source, findings, readings } = fed;
  const { powerLoop } = findings;
  const sourceVolts = sourceAtMost(fed);
  const coldOhms = coldPowerOhms(run, powerLoop.ohms);
  const at = (ohms: number, factor: number): number =>
    Math.max(readVolts, arrivingVolts({ sourceVolts, loopOhms: coldOhms * ohms, ...times(load, factor) }));
  const volts = at(1, 1);
  const utilisation = upperShare(volts, window);
  const basis = basisOf(powerLoop.from);
  return {
    kind: 'highest-volts',
    label: 'highest volts',
    unit: 'V',
    value: volts,
    utilisation,
    status: statusOf(utilisation),
    basis,
    unread: readings['day-volts'] === undefined,
    derivation: () => ({
      title: `Highest volts, ${formatQuantity(volts, 'V')}`,
      steps: [
        powerLoop.step(),
        {
          message: 'Volts that arrive by day, its lamps and heater off, the cores at −10 °C',
          formula: 'dc-feed',
          inputs: [
            figure(`most of ${source.name}`, sourceVolts, 'V', 'noted'),
            figure('loop, cold', coldOhms, 'Ω', powerLoop.from),
            figure('volt-amperes by day', load.voltAmps, 'VA', 'noted'),
            ...(readVolts > 0 ? [figure('read by day', readVolts, 'V', 'measured')] : []),
          ],
          result: figure('at the camera', volts, 'V', 'computed'),
        },
      ],
      limit: { sense: 'at-most', figure: figure('highest of the camera', window.maxVolts, 'V', window.from) },
      conclusion:
        utilisation <= 1
          ? 'Within what the camera bears.'
          : 'More than the camera bears: it is damaged, if not at once.',
    }),
    under: (scenario) => {
      const other = turned(scenario);
      return upperShare(
        at(ohmsFactor(basis, other.powerOhms, other.powerTimes), loadFactor('typical', other)),
        window,
      );
    },
  };
}

/**
 * The other ends of a camera's window beside its volts by night: lowest as it starts, and highest by day in the cold. Nothing
 * where its start takes no more than its night, or where the source never passes the window.
 */
export function windowMargins(
  fed: Fed,
  window: Window,
  { worst, startUp, day }: Loads,
  camera: 'there' | 'new',
): Margin[] {
  const { readings } = fed;
  const isThere = camera === 'there';
  const margins: Margin[] = [];
  if (startUp.voltAmps > worst.voltAmps)
    margins.push(startMargin(fed, window, startUp, isThere && wasSeenRunning(readings)));
  if (sourceAtMost(fed) > window.maxVolts)
    margins.push(highestMargin(fed, window, day, isThere ? (readings['day-volts']?.value ?? 0) : 0));
  return margins;
}
