import type { Context } from './context';
import type { SharedThing } from './sharing';

/** Ports of a field switch for cameras; one leads back. */
const cameraPorts = 7;

/** A second camera on one fibre or radio needs a switch where they meet; the first needs none. */
export const fieldSwitchAt = ({ place }: Context, among: number): SharedThing => ({
  key: `field-switch ${place.id}`,
  label: `Field switch at ${place.name}`,
  parts: [{ item: 'field-switch', count: 1 }],
  tasks: [],
  need: 1,
  capacity: cameraPorts,
  free: 1,
  among,
});
