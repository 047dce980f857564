import type { Site } from '#core/model/site';
import { listed } from '#core/shared/labels';
import { rememberedFor } from '#core/shared/memo';
import type { Context } from './context';
import type { FeasibleOption } from './option';

type Links = Site['link'];
type Recorders = Site['recorder'];

/** Places from which links that are noted, there or planned, lead to a recorder, or where one stands. */
function placesReached(link: Links, recorder: Recorders): ReadonlySet<string> {
  const reached = new Set(Object.values(recorder).map(({ placeId }) => placeId));
  const links = Object.values(link);
  // A set that grows while it is walked through is walked to its end.
  for (const at of reached)
    for (const { fromPlaceId, toPlaceId } of links) {
      if (fromPlaceId === at) reached.add(toPlaceId);
      if (toPlaceId === at) reached.add(fromPlaceId);
    }
  return reached;
}

/** The same two lists of facts always give the same. */
const reachedBy = rememberedFor((link: Links) =>
  rememberedFor((recorder: Recorders) => placesReached(link, recorder)),
);

/** Places at which what an option sends enters the network. */
const entersAt = ({ shared, sharing }: FeasibleOption): Set<string> =>
  new Set([...(shared ? [shared.placeId] : []), ...sharing.flatMap(({ port }) => port?.placeId ?? [])]);

/** That a picture would enter the network where nothing that is noted leads on to a recorder: nobody knows then what that still costs. */
export function unreachedCautions({ site }: Pick<Context, 'site'>, option: FeasibleOption): string[] {
  if (Object.keys(site.recorder).length === 0) return [];
  const reached = reachedBy(site.link)(site.recorder);
  const names = [...entersAt(option)].flatMap((id) => (reached.has(id) ? [] : (site.place[id]?.name ?? [])));
  return names.length === 0
    ? []
    : [
        `No link is noted from ${listed(names)} to a recorder: note the one that is there in Connect, or plan one. What it costs is not in this price.`,
      ];
}
