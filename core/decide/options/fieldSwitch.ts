import type { Context } from './context';
import { unitsFor, type SharedThing } from './sharing';

/** Ports of a field switch for cameras; one leads back. Each further one hangs on the one before it, and takes a port of it. */
export const fieldSwitchPorts = 7;
/** A second camera on one fibre or radio needs a switch where they meet; the first needs none. */
const chained = { capacity: fieldSwitchPorts - 1, free: 1 };

/** Field switches, each on the one before it, on which so many cameras of a place meet. */
export const fieldSwitchesFor = (cameras: number): number => unitsFor(chained, cameras);

/** The switches at the end of a way: each way has its own, since joined they would be a loop where two come from different places. */
export const fieldSwitchAt = (
  { place }: Pick<Context, 'place'>,
  { key, among }: Pick<SharedThing, 'key' | 'among'>,
): SharedThing => ({
  key: `field-switch on ${key}`,
  kind: 'switch',
  placeId: place.id,
  label: `Field switch at ${place.name}`,
  parts: [{ item: 'field-switch', count: 1 }],
  tasks: [],
  need: 1,
  ...chained,
  among,
});
