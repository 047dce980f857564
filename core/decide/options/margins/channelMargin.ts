import { categoryChannel, longestChannelM, permanentLinkM, type WarmStretch } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import { figure, type Figure, type Status } from '#core/shared/derivation';
import type { Margin } from '../option';

/** A channel is as good at 80 m as at 20; past the fixed link that the standards know it rests on short cords. */
function statusOfChannel(fixedM: number, channelM: number): Status {
  if (channelM > longestChannelM) return 'fails';
  return fixedM > permanentLinkM ? 'close' : 'holds';
}

const conclusions: Record<Status, string> = {
  holds: 'Within the channel.',
  close: 'Longer than a fixed link may be; it holds with short cords only. Test it before it is relied on.',
  fails: 'Too long for Ethernet, whatever feeds it.',
};

/** Length of an Ethernet channel, with its cords and as warm as it lies, against what it may have. */
export function channelMargin(
  stretches: readonly WarmStretch[],
  from: Figure['from'],
  spreadM: number,
): Margin {
  const lengthM = stretches.reduce((sum, stretch) => sum + stretch.lengthM, 0);
  const { fixedM, channelM } = categoryChannel(stretches);
  const status = statusOfChannel(fixedM, channelM);
  // What the length may be off by counts as warm as the rest.
  const warmth = lengthM > 0 ? fixedM / lengthM : 1;
  return {
    kind: 'channel',
    label: 'channel',
    unit: 'm',
    value: lengthM,
    utilisation: channelM / longestChannelM,
    basis: from === 'measured' ? 'measured' : 'typical',
    unread: from !== 'measured',
    under: ({ length }) => (channelM + spreadM * length * warmth) / longestChannelM,
    status,
    derivation: () => ({
      title: `Channel, ${formatQuantity(lengthM, 'm')}`,
      steps: [
        {
          message: 'Fixed cable, as long as it would count at 20 °C and with the loss Ethernet is made for',
          formula: 'channel-length',
          inputs: [figure('length', lengthM, 'm', from)],
          result: figure('at 20 °C', fixedM, 'm', from),
        },
        {
          message: 'With 5 m of thin cords',
          formula: 'channel-length',
          inputs: [figure('at 20 °C', fixedM, 'm', from)],
          result: figure('channel', channelM, 'm', 'computed'),
        },
      ],
      limit: { sense: 'at-most', figure: figure('longest channel', longestChannelM, 'm', 'standard') },
      conclusion: conclusions[status],
    }),
  };
}
