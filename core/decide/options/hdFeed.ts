import type { Camera } from '#core/model/site';
import { leastAmps } from '#core/physics/power';
import { figure } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { infeasible } from './build';
import type { Context } from './context';
import type { NewLoad } from './draws';
import type { InfeasibleOption } from './option';
import type { Part } from './part';

/**
 * How a new HD camera is fed from what is there: the window its volts have to lie in, what it takes, and what it
 * needs between. Behind a converter no watts are a heater's: it takes what it needs at any volts.
 */
export interface HdFeed extends NewLoad {
  window: Camera['supply']['window'];
  parts: Part[];
  work: string[];
  cautions: string[];
}

const nothing: never[] = [];

/** A converter at the camera, 24 V AC in and 12 V DC out: what it takes in and loses. Typical. */
export const acConverter = { minVolts: 18, maxVolts: 30, outVolts: 12, efficiency: 0.85 } as const;

/**
 * A camera for DC on an AC rail burns, and the reverse does not run. DC from AC is a converter at the camera, with its price and
 * its loss; AC from DC there is none.
 */
export function hdFeed(
  { need: { hd }, source }: Context,
  kind: InfeasibleOption['kind'],
): HdFeed | InfeasibleOption {
  const { supply } = hd;
  const watts = figure('new camera by night', hd.nightWatts, 'W', hd.from);
  if (supply.current === 'either' || supply.current === source.current)
    return {
      window: { minVolts: supply.window.minVolts, maxVolts: supply.window.maxVolts, from: hd.from },
      watts,
      heaterWatts: hd.heaterWatts,
      dayWatts: hd.dayWatts,
      startUpWatts: hd.startUpWatts,
      parts: nothing,
      work: nothing,
      cautions: nothing,
    };
  if (supply.current === 'ac')
    return infeasible(
      kind,
      'AC camera',
      'The new camera takes 24 V AC, and its rail gives DC.',
      'a 24 V AC supply for it, or a camera for DC',
    );
  const { minVolts, maxVolts, outVolts, efficiency } = acConverter;
  const amps = leastAmps(outVolts, { voltAmps: hd.nightWatts }, { voltAmps: hd.startUpWatts });
  return {
    window: { minVolts, maxVolts, from: 'typical' },
    watts: figure('new camera and its converter', hd.nightWatts / efficiency, 'W', hd.from),
    heaterWatts: 0,
    dayWatts: hd.dayWatts / efficiency,
    startUpWatts: hd.startUpWatts / efficiency,
    parts: [{ item: 'camera-converter', count: 1 }],
    work: ['fit-camera-converter'],
    cautions: [
      'The rail gives AC and the new camera takes DC: it hangs on its converter only. Without it the camera burns.',
      `The converter gives at least ${formatQuantity(amps, 'A', 1)} at ${outVolts} V.`,
    ],
  };
}
