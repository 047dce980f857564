import {
  bestTrunk,
  heaviestLoad,
  hdFormats,
  onAir,
  type OldCoax,
  type OnAir,
  type Trunk,
} from '#core/decide/options';
import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import { putUnder } from '#core/shared/grouping';
import type { ReadingsByRun, RunSite } from './dependencies';
import { lineKind, runFindings, type RunFindings } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { railAt, type Rail } from '#core/test/volts';
import { speaksAlike, type PictureFormat, type SentPicture } from '#core/physics/signal';
import { viewNeed, type ViewNeed } from '#core/model/views';
import { remembered } from '#core/shared/memo';
import {
  runLengthM,
  demandsOf,
  sharersByRun,
  type Camera,
  type Policies,
  type ProductOf,
  type RadioPath,
  type Recorder,
} from '#core/model/site';

/** What of a site the options of every run look at, worked out once, and the costly of it only when it is asked for. */
export interface SiteContext {
  catalogue: Catalogue;
  policies: Policies;
  /** Whether some recorder of a head end takes a picture. */
  takesAt: (headEndId: string, sent: SentPicture) => 'yes' | 'no' | 'unknown';
  /** HD formats that recorders of a head end take of a new camera, best first. */
  hdFormatsAt: (headEndId: string, hd: ViewNeed['hd']) => readonly PictureFormat[];
  radioPathFrom: ReadonlyMap<string, RadioPath>;
  /** How radios do on a path. */
  airOver: (path: RadioPath) => OnAir;
  /** What a camera's view needs. */
  needOf: (camera: Camera) => ViewNeed;
  hasRun: (cameraId: string) => boolean;
  mbpsAt: (placeId: string) => number;
  /** Category cables from a head end to a place. */
  pairsBetween: (headEndId: string, placeId: string) => number;
  /** What was found of a run by its readings. */
  findingsOf: (runId: string) => RunFindings;
  /** The old coax from a head end to a place that would carry most data. */
  trunkBetween: (headEndId: string, placeId: string) => Trunk | undefined;
  camerasAt: (placeId: string) => number;
  /** Numbers of other cameras with pairs of a cable that the run lies in. */
  onSameCable: (runId: string) => readonly number[];
  routeBetween: (fromId: string, toId: string) => NewRoute;
  railOf: (supplyId: string) => Rail | undefined;
}

/** The longest and the shortest way for new cable between two places, and how many cameras have one. */
interface NewRoute {
  lengthM: number;
  shortestM: number;
  cameras: number;
}

const noRoute: NewRoute = { lengthM: 0, shortestM: Infinity, cameras: 1 };

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
    const wayM = newRoute?.lengthM ?? runLengthM(one);
    around.routes.set(between, {
      lengthM: Math.max(known?.lengthM ?? 0, wayM),
      shortestM: Math.min(known?.shortestM ?? Infinity, wayM),
      cameras: (known?.cameras ?? 0) + 1,
    });
  }
  return around;
}

const nobody: readonly number[] = [];

/** Runs that are coax all the way, by their head end and their camera's place. */
function coaxesByEnds({ run, camera }: RunSite): Map<string, string[]> {
  const by = new Map<string, string[]>();
  for (const one of Object.values(run)) {
    const placeId = camera[one.cameraId]?.placeId;
    if (placeId === undefined || lineKind(one) !== 'coax') continue;
    putUnder(by, `${one.headEndId} ${placeId}`, one.id);
  }
  return by;
}

const unread: RunReadings = {};

/** Recorders with inputs by their place: one that has none takes no picture over coax, whatever is noted of it. */
function recordersByPlace({ recorder }: RunSite): Map<string, Recorder[]> {
  const byPlace = new Map<string, Recorder[]>();
  for (const one of Object.values(recorder)) {
    if (one.inputs === 0) continue;
    const there = byPlace.get(one.placeId);
    if (there) there.push(one);
    else byPlace.set(one.placeId, [one]);
  }
  return byPlace;
}

/** Whether some of these recorders takes a picture; not known where one might. */
function takenBy(recorders: readonly Recorder[], sent: SentPicture): 'yes' | 'no' | 'unknown' {
  let answer: 'no' | 'unknown' = 'no';
  for (const recorder of recorders) {
    if (!recorder.accepts.includes(sent.format)) continue;
    const alike = speaksAlike(recorder, sent);
    if (alike === 'yes') return alike;
    if (alike === 'unknown') answer = alike;
  }
  return answer;
}

/** Mb/s of all cameras by their place. */
function mbpsByPlace({ camera }: RunSite, needOf: SiteContext['needOf']): Map<string, number> {
  const byPlace = new Map<string, number>();
  for (const one of Object.values(camera))
    byPlace.set(one.placeId, (byPlace.get(one.placeId) ?? 0) + needOf(one).ip.mbps);
  return byPlace;
}

export function siteContext(site: RunSite, readings: ReadingsByRun): SiteContext {
  const catalogue = catalogueOf(site);
  const recordersAt = recordersByPlace(site);
  const takesAt = (headEndId: string, sent: SentPicture) => takenBy(recordersAt.get(headEndId) ?? [], sent);
  const needOf = remembered((camera: Camera) => viewNeed(site, camera));
  const offeredAt = remembered((headEndId: string) =>
    remembered((product: ProductOf<'camera'>) => hdFormats((sent) => takesAt(headEndId, sent), product)),
  );
  let mbps: Map<string, number> | undefined;
  let known: Surroundings | undefined;
  let shared: Map<string, number[]> | undefined;
  const sharers = () => (shared ??= sharersByRun(site));
  const around = (): Surroundings => (known ??= surroundingsOf(site));
  const findingsOf = remembered((runId: string) => {
    const run = site.run[runId]!;
    return runFindings(site, run, site.camera[run.cameraId]!, readings.get(runId) ?? unread);
  });
  let ended: Set<string> | undefined;
  let coaxes: Map<string, string[]> | undefined;
  const policies = demandsOf(site).policies;
  const oldCoax = (runId: string): OldCoax => {
    const run = site.run[runId]!;
    const camera = site.camera[run.cameraId]!;
    return { run, camera, readings: readings.get(runId) ?? unread, findings: findingsOf(runId) };
  };
  const trunkTo = remembered((headEndId: string) =>
    remembered((placeId: string) =>
      bestTrunk(
        { catalogue, policies, place: site.place[placeId]!, headEnd: site.place[headEndId]! },
        ((coaxes ??= coaxesByEnds(site)).get(`${headEndId} ${placeId}`) ?? []).map(oldCoax),
      ),
    ),
  );
  return {
    catalogue,
    policies,
    takesAt,
    hdFormatsAt: (headEndId, { product }) => offeredAt(headEndId)(product),
    radioPathFrom: new Map(Object.values(site.radioPath).map((path) => [path.fromPlaceId, path])),
    airOver: remembered((path: RadioPath) => onAir(catalogue, site, path)),
    needOf,
    hasRun: (cameraId) =>
      (ended ??= new Set(Object.values(site.run).map((run) => run.cameraId))).has(cameraId),
    mbpsAt: (placeId) => (mbps ??= mbpsByPlace(site, needOf)).get(placeId) ?? 0,
    findingsOf,
    trunkBetween: (headEndId, placeId) => trunkTo(headEndId)(placeId),
    onSameCable: (runId) => sharers().get(runId) ?? nobody,
    camerasAt: (placeId) => around().cameras.get(placeId) ?? 1,
    pairsBetween: (headEndId, placeId) => around().pairs.get(`${headEndId} ${placeId}`) ?? 0,
    routeBetween: (fromId, toId) => around().routes.get(`${fromId} ${toId}`) ?? noRoute,
    railOf: remembered((supplyId: string) => {
      const supply = site.supply[supplyId];
      return (
        supply &&
        railAt(site, supply, supply.setVolts, readings, (camera) => heaviestLoad(camera, needOf(camera)))
      );
    }),
  };
}
