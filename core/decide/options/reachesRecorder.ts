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

/** That a picture would enter the network where nothing that is noted leads on to a recorder: nobody knows then what that still costs. */
export function unreachedCautions({ site }: Pick<Context, 'site'>, option: FeasibleOption): string[] {
  const reached = reachedBy(site.link)(site.recorder);
  if (reached.size === 0) return [];
  const names = new Set<string>();
  const comesTo = (placeId: string): void => {
    if (!reached.has(placeId)) names.add(site.place[placeId]?.name ?? placeId);
  };
  if (option.shared) comesTo(option.shared.placeId);
  for (const { port } of option.sharing) if (port) comesTo(port.placeId);
  return names.size === 0
    ? []
    : [
        `No link is noted from ${listed([...names])} to a recorder: note the one that is there in Connect, or plan one. What it costs is not in this price.`,
      ];
}
