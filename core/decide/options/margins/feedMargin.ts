import { figure, statusOf } from '#core/shared/derivation';
import { loadFactor } from '#core/test/scenarios';
import { formatQuantity } from '#core/shared/units';
import type { Context } from '../context';
import type { DrawnAmps } from '../draws';
import type { Margin } from '../option';

const remedyAmps =
  'Its fuse or its adapter gives way. A stronger adapter, or a larger fuse where the cores bear it.';

/** Amps for a moment at the start against the fuse of the output, or against what the adapter is rated for. */
export function feedMargin(
  { source }: Pick<Context, 'source'>,
  { amps, startUpAmps }: DrawnAmps,
  sourceVolts = source.volts,
): Margin {
  const limitAmps = source.limitWatts / source.volts;
  const utilisation = startUpAmps / limitAmps;
  return {
    kind: 'feed-amps',
    label: 'amps of its feed',
    unit: 'A',
    value: startUpAmps,
    utilisation,
    status: statusOf(utilisation),
    basis: 'typical',
    unread: false,
    under: (scenario) => utilisation * loadFactor('typical', scenario),
    derivation: () => ({
      title: `Amps of its feed, ${formatQuantity(startUpAmps, 'A')}`,
      steps: [
        {
          message: 'By night, and for a moment when it starts',
          formula: 'feed-amps',
          inputs: [
            figure(source.name, sourceVolts, 'V', source.isNoted ? 'noted' : 'computed'),
            figure('by night', amps, 'A', 'computed'),
          ],
          result: figure('at the start', startUpAmps, 'A', 'computed'),
        },
      ],
      limit: { sense: 'at-most', figure: figure('fuse or rating', limitAmps, 'A', 'noted') },
      conclusion: utilisation <= 1 ? 'The feed bears it.' : remedyAmps,
    }),
  };
}
