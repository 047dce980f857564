import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import type { ReadingsByRun, RunSite } from './dependencies';
import { railAt, type Rail } from '#core/test/volts';
import { viewNeed, type ViewNeed } from '#core/model/views';
import { demandsOf, type Camera, type Policies, type RadioPath } from '#core/model/site';

/** What of a site the options of every run look at, worked out once, and the costly of it only when it is asked for. */
export interface SiteContext {
  catalogue: Catalogue;
  policies: Policies;
  /** Picture formats that some recorder takes, by the head end it stands at. */
  acceptedAt: ReadonlyMap<string, ReadonlySet<string>>;
  radioPathFrom: ReadonlyMap<string, RadioPath>;
  /** What a camera's view needs. */
  needOf: (camera: Camera) => ViewNeed;
  mbpsAt: (placeId: string) => number;
  railOf: (supplyId: string) => Rail | undefined;
}

export function siteContext(site: RunSite, readings: ReadingsByRun): SiteContext {
  const catalogue = catalogueOf(site);
  const acceptedAt = new Map<string, Set<string>>();
  for (const { placeId, accepts, inputs } of Object.values(site.recorder)) {
    // One that has no inputs takes no picture over coax, whatever is noted of them.
    if (inputs === 0) continue;
    const accepted = acceptedAt.get(placeId) ?? new Set();
    for (const format of accepts) accepted.add(format);
    acceptedAt.set(placeId, accepted);
  }
  const rails = new Map<string, Rail | undefined>();
  let mbps: Map<string, number> | undefined;
  const needs = new Map<string, ViewNeed>();
  const needOf = (camera: Camera): ViewNeed => {
    let need = needs.get(camera.id);
    if (!need) needs.set(camera.id, (need = viewNeed(site, camera)));
    return need;
  };
  return {
    catalogue,
    policies: demandsOf(site).policies,
    acceptedAt,
    radioPathFrom: new Map(Object.values(site.radioPath).map((path) => [path.fromPlaceId, path])),
    needOf,
    mbpsAt: (placeId) => {
      if (!mbps) {
        mbps = new Map();
        for (const camera of Object.values(site.camera))
          mbps.set(camera.placeId, (mbps.get(camera.placeId) ?? 0) + needOf(camera).ip.mbps);
      }
      return mbps.get(placeId) ?? 0;
    },
    railOf: (supplyId) => {
      const supply = site.supply[supplyId];
      if (supply && !rails.has(supplyId))
        rails.set(supplyId, railAt(site, supply, supply.setVolts, readings));
      return rails.get(supplyId);
    },
  };
}
