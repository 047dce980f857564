import type { Topology } from '#core/connect/topology';
import type { PolicyFigures } from '#core/model/site';
import type { Predicted } from '#core/signoff/predicted';
import { asKnown, loadFactor } from '#core/test/scenarios';
import { figureCheck, ninetyTails } from './build';
import type { AskedCheck } from './types';

export type CameraEnd = Topology['cameras'][number];
export type Device = Topology['devices'][number];

/** Watts that a port gives, by what the camera takes. */
export function portCheck(
  end: CameraEnd | undefined,
  device: Device | undefined,
  { portSharePercent }: PolicyFigures,
): AskedCheck[] {
  if (!end || !device || end.watts <= 0 || device.portWatts <= 0) return [];
  const { nightWatts = end.watts } = end;
  const at = (load: number) => nightWatts * loadFactor('typical', { ...asKnown, load });
  const predicted: Predicted = { value: nightWatts, low: at(-ninetyTails), high: at(ninetyTails) };
  return [
    figureCheck(
      'port-watts',
      {
        most: (device.portWatts * portSharePercent) / 100,
        because: `${portSharePercent} % of the port’s ${device.portWatts} W`,
      },
      predicted,
    ),
  ];
}
