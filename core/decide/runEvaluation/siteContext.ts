import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import type { ReadingsByRun, RunSite } from './dependencies';
import { lineKind } from '#core/test/findings';
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
  /** Category cables from a head end to a place. */
  pairsBetween: (headEndId: string, placeId: string) => number;
  railOf: (supplyId: string) => Rail | undefined;
}

/** How many category cables lie between each head end and place. */
function pairCounts({ run, camera }: RunSite): Map<string, number> {
  const counts = new Map<string, number>();
  for (const one of Object.values(run)) {
    if (lineKind(one) !== 'pair') continue;
    const between = `${one.headEndId} ${camera[one.cameraId]?.placeId}`;
    counts.set(between, (counts.get(between) ?? 0) + 1);
  }
  return counts;
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
  let pairs: Map<string, number> | undefined;
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
    pairsBetween: (headEndId, placeId) => (pairs ??= pairCounts(site)).get(`${headEndId} ${placeId}`) ?? 0,
    railOf: (supplyId) => {
      const supply = site.supply[supplyId];
      if (supply && !rails.has(supplyId))
        rails.set(supplyId, railAt(site, supply, supply.setVolts, readings));
      return rails.get(supplyId);
    },
  };
}
