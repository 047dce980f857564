import { figure, type Derivation } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import type { RackFront } from './rackFront';

/** How the heat of a rack was reached: all that its gear takes of the mains stays in the room, but for what goes out over its ports. */
export const heatDerivation = ({ name, rows, heatWatts, unnotedWatts }: RackFront): Derivation => ({
  title: `${name}, ${formatQuantity(heatWatts, 'W', 0)} of heat`,
  steps: [
    {
      message: 'What its gear takes itself becomes heat where it stands',
      formula: 'mains-watts',
      inputs: rows.filter(({ watts }) => watts > 0).map((row) => figure(row.name, row.watts, 'W', 'noted')),
      result: figure('heat', heatWatts, 'W', 'computed'),
    },
  ],
  conclusion:
    unnotedWatts.length > 0
      ? `Not noted, so not in it: ${unnotedWatts.join(', ')}.`
      : 'The room has to carry so much away, summer and winter.',
});
