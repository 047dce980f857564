import { ethernetChannelM } from '#core/physics/power';
import { formatQuantity } from '#core/shared/units';
import { figure, type Figure } from '#core/shared/derivation';
import type { Margin } from '../option';

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
