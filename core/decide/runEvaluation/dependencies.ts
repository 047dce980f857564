import { testIds, type Camera, type Kind, type Site } from '#core/model/site';
import { railRestsOn } from '#core/test/volts';
import type { RunReadings } from '#core/test/readings';

/** Kinds of fact of which the evaluation of a run may read any: one that changes, and every run is evaluated anew. */
export const sharedKinds = [
  'place',
  'supply',
  'product',
  'demands',
  'radioPath',
  'link',
  'sheath',
  'recorder',
  'equipment',
  'route',
  'drawing',
  'allocationSettings',
  'acceptancePolicy',
] as const satisfies readonly Kind[];

/** Kinds of which a run reads its own, and those of the runs it shares a supply box or a place with. */
export const ownKinds = [
  'run',
  'camera',
  'choice',
  'stream',
  'reading',
  'mending',
] as const satisfies readonly Kind[];

/** Everything that the evaluation of a run may read. What is not in it does not compile there. */
export type RunSite = Pick<Site, (typeof sharedKinds)[number] | (typeof ownKinds)[number]>;

export type ReadingsByRun = ReadonlyMap<string, RunReadings>;

const changedIds = <T>(now: Readonly<Record<string, T>>, then: Readonly<Record<string, T>>): string[] => {
  if (now === then) return [];
  return [...new Set([...Object.keys(now), ...Object.keys(then)])].filter((id) => now[id] !== then[id]);
};

/** The supply box a run is fed from, whose rail is then as good as all that hangs on it. */
const supplyOf = ({ run }: RunSite, id: string): string[] => {
  const feed = run[id]?.feed;
  return feed && feed.kind !== 'local-adapter' ? [feed.supplyId] : [];
};

/** The runs that lie in one cable with one of these: its conductors are shared out among them. */
function inOneCableWith({ sheath }: RunSite, ids: readonly string[]): string[] {
  const asked = new Set(ids);
  return Object.values(sheath)
    .map(({ members }) => members.map(({ runId }) => runId))
    .filter((runIds) => runIds.some((id) => asked.has(id)))
    .flat();
}

/** Runs that are worked out anew: all of them, or some. */
export type StaleRuns = { kind: 'all' } | { kind: 'some'; isStale: (runId: string) => boolean };

const unread: RunReadings = {};
const everyReading = (readings: RunReadings): readonly unknown[] => testIds.map((test) => readings[test]);

/** Ids of the runs of which something that rests on their readings changed: one was taken anew, or struck out. */
function readAnew(
  now: ReadingsByRun,
  then: ReadingsByRun,
  restsOn: (readings: RunReadings) => readonly unknown[],
): string[] {
  if (now === then) return [];
  const ids = new Set([...now.keys(), ...then.keys()]);
  return [...ids].filter((id) => {
    const before = restsOn(then.get(id) ?? unread);
    return restsOn(now.get(id) ?? unread).some((value, at) => value !== before[at]);
  });
}

/**
 * Which runs have to be evaluated anew between two sites: all of them where a shared fact changed; else those with a fact
 * of their own that changed, those in one cable with it, those on the same supply box as a run whose load or cores changed (a rail is shared), those
 * whose view a camera that changed could see, and those whose camera hangs where a camera, its stream, its run or a reading
 * of it changed (a radio's airtime is shared, cables warm each other, and one old coax may carry all).
 */
export function staleRuns(
  now: RunSite,
  then: RunSite,
  readingsNow: ReadingsByRun,
  readingsThen: ReadingsByRun,
): StaleRuns {
  if (sharedKinds.some((kind) => now[kind] !== then[kind])) return { kind: 'all' };
  const cameras = new Set(changedIds(now.camera, then.camera));
  const streams = changedIds(now.stream, then.stream);
  const runs = changedIds(now.run, then.run);
  const ofCameras = Object.values(now.run).filter(({ cameraId }) => cameras.has(cameraId));
  const loading = [
    ...runs,
    ...ofCameras.map(({ id }) => id),
    ...readAnew(readingsNow, readingsThen, railRestsOn),
  ];
  const supplies = new Set(loading.flatMap((id) => [...supplyOf(now, id), ...supplyOf(then, id)]));
  const read = readAnew(readingsNow, readingsThen, everyReading);
  const own = new Set([...loading, ...read, ...inOneCableWith(now, loading)]);
  // Where there is no mains no field switch looks at the other coaxes.
  const mayCarry = read.filter(
    (id) => now.place[now.camera[now.run[id]?.cameraId ?? '']?.placeId ?? '']?.mains,
  );
  const cabled = [...runs, ...mayCarry].flatMap((id) => [now.run[id]?.cameraId, then.run[id]?.cameraId]);
  const beside = [...cameras, ...streams, ...cabled].filter((id) => id !== undefined);
  const places = new Set(beside.flatMap((id) => [now.camera[id]?.placeId, then.camera[id]?.placeId]));
  const chosen = new Set(changedIds(now.choice, then.choice));
  const changed = new Set(beside);
  /** Whether what could see its view changed, or what was chosen for that. */
  const seenAnew = ({ seenFrom }: Camera): boolean =>
    seenFrom !== undefined && (changed.has(seenFrom.cameraId) || chosen.size > 0);
  return {
    kind: 'some',
    isStale: (runId) => {
      const { cameraId } = now.run[runId]!;
      return (
        own.has(runId) ||
        chosen.has(cameraId) ||
        places.has(now.camera[cameraId]!.placeId) ||
        seenAnew(now.camera[cameraId]!) ||
        supplyOf(now, runId).some((id) => supplies.has(id))
      );
    },
  };
}
