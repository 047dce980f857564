import { chosenOption, isGivenUp, type RunEvaluation } from '#core/decide/runEvaluation';
import { sentToday, type Equipment, type Site } from '#core/model/site';

/** Where a monitor has its pictures from; `null` where nobody has noted it. */
export type TileSource = { kind: 'recorder'; id: string } | { kind: 'matrix'; matrix: Equipment } | null;

/** Why a camera is not in a tile any more when all is done; `null` where it is. */
export type LossOf = (cameraId: string, source: TileSource) => string | null;

/** Whether a camera sends another kind of picture once its choice is carried out. */
function sendsAnother(evaluation: RunEvaluation): boolean {
  const option = chosenOption(evaluation);
  if (!option) return false;
  return option.signal.kind !== 'coax' || option.signal.format !== sentToday(evaluation.camera).format;
}

/** Views that have no camera of their own any more, and why. */
const viewsGone = (site: Site, runs: readonly RunEvaluation[]): ReadonlyMap<string, string> =>
  new Map(
    runs
      .filter(isGivenUp)
      .map(({ camera: { id, seenFrom }, chosen }) => [
        id,
        chosen === 'shared-view' && seenFrom
          ? `seen by camera ${site.camera[seenFrom.cameraId]?.number}`
          : 'retired',
      ]),
  );

/** Recorders that cameras are on when all is done, by camera: where they are placed, else where they are today. */
const recordersAfter = (
  { networkCamera, placement }: Site,
  runs: readonly RunEvaluation[],
): ReadonlyMap<string, string | undefined> =>
  new Map([
    ...runs.map(({ camera, run }) => [camera.id, run.patchedTo?.recorderId] as const),
    ...Object.values(networkCamera).map(({ id, recordedAt }) => [id, recordedAt?.recorderId] as const),
    ...Object.values(placement).map(({ id, recorderId }) => [id, recorderId] as const),
  ]);

/** What takes cameras out of the tiles of monitors when all is done. */
export function tileLosses(site: Site, runs: readonly RunEvaluation[]): LossOf {
  const gone = viewsGone(site, runs);
  const after = recordersAfter(site, runs);
  const changed = new Set(runs.filter(sendsAnother).map(({ camera }) => camera.id));

  // A matrix switches the pictures that it was made for, and no others.
  function lostToMatrix(cameraId: string, { name, goes }: Equipment): string | null {
    if (goes) return `without ${name}`;
    const isNew = changed.has(cameraId) || site.networkCamera[cameraId]?.state === 'planned';
    return isNew ? 'no longer on the matrix' : null;
  }
  return (cameraId, source) => {
    const goes = gone.get(cameraId);
    if (goes) return goes;
    if (source?.kind === 'matrix') return lostToMatrix(cameraId, source.matrix);
    const recorderId = after.get(cameraId);
    if (recorderId === undefined) return 'on no recorder yet';
    return source === null || recorderId === source.id
      ? null
      : `on ${site.recorder[recorderId]?.name ?? recorderId}`;
  };
}
