import { isNetworkGear, type Gear, type Site } from '#core/model/site';

export type LeadSite = Pick<Site, 'equipment' | 'recorder' | 'link'>;

/** What decides which of the switches of a place joins the rest of its gear. */
export interface Switch {
  /** Bought for what is chosen, and noted nowhere. */
  isOfPlan: boolean;
  isToBuy: boolean;
  isLongReach: boolean;
  poeWatts: number;
  portWatts: number;
}

/**
 * The lower, the sooner a switch joins the gear of its place: one that is noted before one that a plan buys, one that stands there before
 * one that is to come, and one without power, or with the weakest ports, before those whose ports a camera could need.
 */
export const joiningRank = ({ isOfPlan, isToBuy, isLongReach, poeWatts, portWatts }: Switch): number =>
  isOfPlan ? (isLongReach ? 10_000 : 1000) + portWatts : (isToBuy ? 2 : 0) + (poeWatts > 0 ? 1 : 0);

type SwitchGear = Extract<Gear, { kind: 'switch' }>;

/** A switch that is noted at a place and stays there, with the leads to other gear that hold one of its ports. */
export interface NotedSwitch {
  id: string;
  gear: SwitchGear;
  leads: number;
}

/** How the gear of a place is joined once all is done, as far as it is noted. */
export interface PlaceLeads {
  /** Noted switches; the first joins the rest. */
  switches: NotedSwitch[];
  /** Leads to noted gear and links that a switch that joined them all would have, its way on among them. */
  waiting: number;
}

/** Ends of links at a place: by the device that they are noted to be in, or by none. */
function endsAt({ link }: LeadSite, placeId: string): (string | undefined)[] {
  return Object.values(link).flatMap(({ fromPlaceId, toPlaceId, fromEnd, toEnd }) => [
    ...(fromPlaceId === placeId ? [fromEnd?.deviceId] : []),
    ...(toPlaceId === placeId ? [toEnd?.deviceId] : []),
  ]);
}

/** Leads between the noted gear of a place: everything to the one switch that joins it, links to what they are noted to end in. */
export function leadsAt(site: LeadSite, placeId: string): PlaceLeads {
  const gear = Object.values(site.equipment).filter(
    (one) => one.placeId === placeId && !one.goes && isNetworkGear(one.gear),
  );
  const recorders = Object.values(site.recorder).filter((one) => one.placeId === placeId);
  const ids = new Set([...gear, ...recorders].map(({ id }) => id));
  const ends = endsAt(site, placeId).map((id) => (id !== undefined && ids.has(id) ? id : undefined));
  const loose = ends.filter((id) => id === undefined).length;
  const switches = gear
    .flatMap(({ id, gear: of, toBuy }) =>
      of.kind === 'switch'
        ? [
            {
              id,
              gear: of,
              rank: joiningRank({
                isOfPlan: false,
                isToBuy: toBuy !== undefined,
                isLongReach: of.reach !== undefined,
                poeWatts: of.poeWatts,
                portWatts: 0,
              }),
            },
          ]
        : [],
    )
    .sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1));
  return {
    switches: switches.map(({ id, gear: of }, index): NotedSwitch => {
      const own = ends.filter((end) => end === id).length;
      const joined = index === 0 ? ids.size - 1 + loose : 1;
      // One of them is in the port that leads on, which is beside those that are counted.
      return { id, gear: of, leads: Math.max(0, joined + own - 1) };
    }),
    waiting: ids.size + loose,
  };
}
