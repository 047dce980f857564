import { heaterWatts, voltsAtLoad, voltsShare } from '#core/test/findings';
import { loadVoltsUnder, readFactor, voltsUnder, type FedCamera } from '#core/test/scenarios';
import { formatQuantity } from '#core/shared/units';
import { basisOf, figure, statusOf, unboundedUtilisation, type Figure } from '#core/shared/derivation';
import type { Context } from '../context';
import type { Margin } from '../option';
import type { Camera } from '#core/model/site';

type Window = Camera['supply']['window'];

const fedCamera = (
  { source, findings: { powerLoop } }: Context,
  window: Window,
  watts: number,
  heaterOf: number,
  wattsFrom: 'typical' | 'data-sheet',
): FedCamera => ({ source, loop: powerLoop, window, watts, heaterWatts: heaterOf, wattsFrom });

/**
 * Volts by night at a camera of `nightWatts`, some of them its heater's, with a window of its own, on the power that feeds the run
 * today.
 */
export function nightVoltsMargin(
  context: Context,
  nightWatts: Figure,
  heaterOf: number,
  window: Window,
): Margin {
  const { source, findings } = context;
  const { volts, steps } = voltsAtLoad(source, findings.powerLoop, nightWatts, window, heaterOf);
  const { utilisation, status } = voltsShare(source.volts, volts, window);
  const from = nightWatts.from === 'data-sheet' ? 'data-sheet' : 'typical';
  const fed = fedCamera(context, window, nightWatts.value ?? 0, heaterOf, from);
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
    under: (scenario) => voltsUnder(fed, scenario),
    valueUnder: (scenario) => loadVoltsUnder(fed, scenario),
  };
}

/** Night volts as they were read, for keeping what hangs there; predicted where nobody has read them. */
export function keptVoltsMargin(context: Context): Margin {
  const { camera, source, findings } = context;
  const verdict = findings.verdicts.find(({ id }) => id === 'night-volts')!;
  const value = (verdict.read ?? verdict.expected)?.value ?? 0;
  const wrongRail = source.current !== camera.supply.current;
  const status = wrongRail ? 'fails' : statusOf(verdict.utilisation ?? 0);
  const { window } = camera.supply;
  const fed = fedCamera(context, window, camera.watts.night, heaterWatts(camera), 'typical');
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
    under: (scenario) => {
      if (wrongRail) return unboundedUtilisation;
      return verdict.read
        ? voltsShare(source.volts, value * readFactor(scenario.load), window).utilisation
        : voltsUnder(fed, scenario);
    },
    valueUnder: (scenario) =>
      verdict.read ? value * readFactor(scenario.load) : loadVoltsUnder(fed, scenario),
  };
}
