import type { RadioPath } from '#core/model/site';
import { clearShare, clutterDb, freeSpaceLossDb, fresnelRadiusM, rateAtDb } from '#core/physics/wireless';
import { figure, type Derivation } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import type { OnAir } from './onAir';

/** How the Mb/s of a radio path on its best channel were reached, against what all cameras there stream. */
export function radioRateDerivation(
  { distanceM, sight, clearanceM }: Pick<RadioPath, 'distanceM' | 'sight' | 'clearanceM'>,
  { best, eirpDbm, gainDbi, overDb, keptDb, isOverWater, unheard }: OnAir,
  wantedMbps: number,
): Derivation {
  const { channel, frequencyMHz, floorDbm } = best;
  const rate = rateAtDb(overDb - keptDb);
  const provided = [
    ...(unheard.length > 0 ? [`${unheard.join(' and ')} hears no more than was noted`] : []),
    ...(clearanceM === undefined ? ['the beam is clear, which nobody has measured'] : []),
  ];
  return {
    title: `Rate by radio, ${formatQuantity(rate, 'Mb/s')}`,
    steps: [
      {
        message: `Level on channel ${channel}, ${formatQuantity(frequencyMHz, 'MHz')}, over noise and neighbours at the end that hears more`,
        formula: 'wireless-level',
        inputs: [
          figure('way', distanceM, 'm', 'noted'),
          figure('sent', eirpDbm, 'dBm', 'policy'),
          figure('free space', freeSpaceLossDb(distanceM, frequencyMHz), 'dB', 'computed'),
          ...(sight === 'clear' ? [] : [figure('in the way', clutterDb[sight], 'dB', 'typical')]),
          figure('gain', gainDbi, 'dB', 'data-sheet'),
          figure('noise and neighbours', floorDbm, 'dBm', 'computed'),
        ],
        result: figure('over noise and neighbours', overDb, 'dB', 'computed'),
      },
      {
        message: isOverWater ? 'Kept for fading over water' : 'Kept for fading',
        formula: 'fade-margin',
        inputs: [
          figure('over noise and neighbours', overDb, 'dB', 'computed'),
          figure('kept', keptDb, 'dB', 'policy'),
        ],
        result: figure('to count with', overDb - keptDb, 'dB', 'computed'),
      },
      {
        message: 'What every camera there streams, on one shared air',
        formula: 'shared-airtime',
        inputs: [figure('link carries', rate, 'Mb/s', 'computed')],
        result: figure('wanted', wantedMbps, 'Mb/s', 'typical'),
      },
    ],
    limit: { sense: 'at-least', figure: figure('all cameras there stream', wantedMbps, 'Mb/s', 'typical') },
    conclusion:
      wantedMbps > rate
        ? 'Does not carry the cameras of this place together.'
        : provided.length > 0
          ? `Carries the cameras of this place together, if ${provided.join(', and ')}.`
          : 'Carries the cameras of this place together.',
  };
}

/** Room that the beam needs half way, in metres. */
export const clearanceNeedM = (distanceM: number, frequencyMHz: number): number =>
  clearShare * fresnelRadiusM(distanceM / 2, distanceM / 2, frequencyMHz);

/** How the room that a beam needs was reached, against what was measured. */
export function clearanceDerivation(distanceM: number, haveM: number, frequencyMHz: number): Derivation {
  const needM = clearanceNeedM(distanceM, frequencyMHz);
  return {
    title: `Room for the beam, ${formatQuantity(haveM, 'm', 1)}`,
    steps: [
      {
        message: '60 % of the first Fresnel zone, half way',
        formula: 'fresnel',
        inputs: [figure('way', distanceM, 'm', 'noted'), figure('there is', haveM, 'm', 'measured')],
        result: figure('wanted', needM, 'm', 'computed'),
      },
    ],
    limit: { sense: 'at-least', figure: figure('wanted', needM, 'm', 'computed') },
    conclusion: needM <= haveM ? 'The beam is clear.' : 'Something stands in the beam.',
  };
}
