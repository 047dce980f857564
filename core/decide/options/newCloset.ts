import type { Link, Place } from '#core/model/site';
import type { Context } from './context';
import type { SharedThing } from './sharing';

/** Whether a link leads on from a place, there or planned: without one a closet there reaches nobody. */
export const leadsOn = (link: Readonly<Record<string, Link>>, { id }: Pick<Place, 'id'>): boolean =>
  Object.values(link).some(({ fromPlaceId, toPlaceId }) => fromPlaceId === id || toPlaceId === id);

/** A cabinet for a switch at a place that has none yet: once for all cameras that come from there. The link that leads on is the network’s own. */
export const newCloset = ({ around }: Pick<Context, 'around'>, from: Place): SharedThing => ({
  key: `closet ${from.id}`,
  kind: 'closet',
  placeId: from.id,
  label: `A network closet opened at ${from.name}`,
  parts: [{ item: 'wall-cabinet', count: 1 }],
  tasks: [{ item: 'open-closet', count: 1 }],
  need: 1,
  capacity: 'all',
  free: 0,
  among: around.routeFrom(from.id).cameras,
});
