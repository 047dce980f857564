import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import type { ReadingsByRun, RunSite } from './dependencies';
import { lineKind, runLengthM } from '#core/test/findings';
import { railAt, type Rail } from '#core/test/volts';
import { speaksAlike, type SentPicture } from '#core/physics/signal';
import { viewNeed, type ViewNeed } from '#core/model/views';
import { demandsOf, type Camera, type Policies, type RadioPath, type Recorder } from '#core/model/site';

/** What of a site the options of every run look at, worked out once, and the costly of it only when it is asked for. */
export interface SiteContext {
  catalogue: Catalogue;
  policies: Policies;
  /** Whether some recorder of a head end takes a picture. */
  takesAt: (headEndId: string, sent: SentPicture) => 'yes' | 'no' | 'unknown';
  radioPathFrom: ReadonlyMap<string, RadioPath>;
  /** What a camera's view needs. */
  needOf: (camera: Camera) => ViewNeed;
  mbpsAt: (placeId: string) => number;
  /** Category cables from a head end to a place. */
  pairsBetween: (headEndId: string, placeId: string) => number;
  camerasAt: (placeId: string) => number;
  routeBetween: (fromId: string, toId: string) => NewRoute;
  railOf: (supplyId: string) => Rail | undefined;
}

/** The longest way for new cable between two places, and how many cameras have one. */
interface NewRoute {
  lengthM: number;
  cameras: number;
}

const noRoute: NewRoute = { lengthM: 0, cameras: 1 };

/** What lies and hangs where, by place and by pair of places; one pass over the runs. */
interface Surroundings {
  cameras: Map<string, number>;
  pairs: Map<string, number>;
  routes: Map<string, NewRoute>;
}

const oneMore = (counts: Map<string, number>, key: string): void =>
  void counts.set(key, (counts.get(key) ?? 0) + 1);

function surroundingsOf({ run, camera }: RunSite): Surroundings {
  const around: Surroundings = { cameras: new Map(), pairs: new Map(), routes: new Map() };
  for (const one of Object.values(run)) {
    const placeId = camera[one.cameraId]?.placeId;
    if (placeId === undefined) continue;
    oneMore(around.cameras, placeId);
    if (lineKind(one) === 'pair') oneMore(around.pairs, `${one.headEndId} ${placeId}`);
    const { newRoute } = one;
    if (newRoute?.kind === 'closed') continue;
    const between = `${newRoute?.fromPlaceId ?? one.headEndId} ${placeId}`;
    const known = around.routes.get(between);
    around.routes.set(between, {
      lengthM: Math.max(known?.lengthM ?? 0, newRoute?.lengthM ?? runLengthM(one)),
      cameras: (known?.cameras ?? 0) + 1,
    });
  }
  return around;
}

export function siteContext(site: RunSite, readings: ReadingsByRun): SiteContext {
  const catalogue = catalogueOf(site);
  const recordersAt = new Map<string, Recorder[]>();
  for (const recorder of Object.values(site.recorder)) {
    // One that has no inputs takes no picture over coax, whatever is noted of it.
    if (recorder.inputs === 0) continue;
    const there = recordersAt.get(recorder.placeId);
    if (there) there.push(recorder);
    else recordersAt.set(recorder.placeId, [recorder]);
  }
  const rails = new Map<string, Rail | undefined>();
  let mbps: Map<string, number> | undefined;
  let known: Surroundings | undefined;
  const around = (): Surroundings => (known ??= surroundingsOf(site));
  const needs = new Map<string, ViewNeed>();
  const needOf = (camera: Camera): ViewNeed => {
    let need = needs.get(camera.id);
    if (!need) needs.set(camera.id, (need = viewNeed(site, camera)));
    return need;
  };
  return {
    catalogue,
    policies: demandsOf(site).policies,
    takesAt: (headEndId, sent) => {
      let answer: 'no' | 'unknown' = 'no';
      for (const recorder of recordersAt.get(headEndId) ?? []) {
        if (!recorder.accepts.includes(sent.format)) continue;
        const alike = speaksAlike(recorder, sent);
        if (alike === 'yes') return alike;
        if (alike === 'unknown') answer = alike;
      }
      return answer;
    },
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
    camerasAt: (placeId) => around().cameras.get(placeId) ?? 1,
    pairsBetween: (headEndId, placeId) => around().pairs.get(`${headEndId} ${placeId}`) ?? 0,
    routeBetween: (fromId, toId) => around().routes.get(`${fromId} ${toId}`) ?? noRoute,
    railOf: (supplyId) => {
      const supply = site.supply[supplyId];
      if (supply && !rails.has(supplyId))
        rails.set(supplyId, railAt(site, supply, supply.setVolts, readings));
      return rails.get(supplyId);
    },
  };
}
