import { categoryChannel, type WarmStretch } from '#core/physics/signal';
import { figure, type Figure } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import type { Margin } from '../option';

/** Metres of cable against how far a port is said to reach. It is the maker's word and no standard's, so it never more than nearly holds. */
export function reachMargin(
  stretches: readonly WarmStretch[],
  from: Figure['from'],
  spreadM: number,
  reachM: number,
): Margin {
  const lengthM = stretches.reduce((sum, stretch) => sum + stretch.lengthM, 0);
  const { fixedM } = categoryChannel(stretches);
  const warmth = lengthM > 0 ? fixedM / lengthM : 1;
  const status = fixedM > reachM ? 'fails' : 'close';
  return {
    kind: 'channel',
    label: 'reach of the port',
    unit: 'm',
    value: lengthM,
    utilisation: fixedM / reachM,
    basis: 'typical',
    unread: from !== 'measured',
    status,
    under: ({ length }) => (fixedM + spreadM * length * warmth) / reachM,
    derivation: () => ({
      title: `Reach of the port, ${formatQuantity(lengthM, 'm')}`,
      steps: [
        {
          message: 'Cable, as long as it would count at 20 °C and with the loss Ethernet is made for',
          formula: 'channel-length',
          inputs: [figure('length', lengthM, 'm', from)],
          result: figure('at 20 °C', fixedM, 'm', from),
        },
      ],
      limit: { sense: 'at-most', figure: figure('port reaches', reachM, 'm', 'typical') },
      conclusion:
        status === 'fails'
          ? 'Further than such a port reaches.'
          : 'Within what the maker promises; no standard does. Try it before it is relied on.',
    }),
  };
}
