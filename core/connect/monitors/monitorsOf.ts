import { chosenOption, isGivenUp, type RunEvaluation } from '#core/decide/runEvaluation';
import { sentToday, type Equipment, type Site } from '#core/model/site';

/** A tile of a monitor: the camera in it, and why it would not be there when all is done. */
interface Tile {
  cameraId: string;
  number: number;
  name: string;
  lost: string | null;
}

/** A monitor with what it shows today and whether operators see the same afterwards. */
export interface MonitorPicture {
  id: string;
  name: string;
  placeId: string;
  /** The recorder or matrix whose pictures it shows; `null` while nobody has noted it. */
  source: string | null;
  /** Tiles in a row, so that all have room in a square. */
  across: number;
  tiles: Tile[];
  problems: string[];
}

/** Inputs that a recorder of today hardly has any more. */
const oldInput = { composite: 'composite', vga: 'VGA', hdmi: null } as const;

/** Whether a camera sends another kind of picture once its choice is carried out. */
function sendsAnother(evaluation: RunEvaluation): boolean {
  const option = chosenOption(evaluation);
  if (!option) return false;
  return option.signal.kind !== 'coax' || option.signal.format !== sentToday(evaluation.camera).format;
}

/** Every monitor, with tiles that lose their camera to another recorder or for good. */
export function monitorsOf(site: Site, runs: readonly RunEvaluation[]): MonitorPicture[] {
  const gone = new Map(
    runs
      .filter(isGivenUp)
      .map(({ camera: { id, seenFrom }, chosen }) => [
        id,
        chosen === 'shared-view' && seenFrom
          ? `seen by camera ${site.camera[seenFrom.cameraId]?.number}`
          : 'retired',
      ]),
  );
  const today = new Map([
    ...runs.map(({ camera, run }) => [camera.id, run.patchedTo?.recorderId] as const),
    ...Object.values(site.networkCamera).map(({ id, recordedAt }) => [id, recordedAt?.recorderId] as const),
  ]);
  // A matrix switches the pictures that it was made for, and no others.
  const changed = new Set(runs.filter(sendsAnother).map(({ camera }) => camera.id));
  const lostToMatrix = (cameraId: string, { name, goes }: Equipment): string | null => {
    if (goes) return `without ${name}`;
    const isNew = changed.has(cameraId) || site.networkCamera[cameraId]?.state === 'planned';
    return isNew ? 'no longer on the matrix' : null;
  };
  return Object.values(site.equipment).flatMap(({ id, name, placeId, gear }): MonitorPicture[] => {
    if (gear.kind !== 'monitor') return [];
    const { recorderId, matrixId, tiles = [], input } = gear;
    const recorder = recorderId === undefined ? undefined : site.recorder[recorderId];
    const matrix = matrixId === undefined ? undefined : site.equipment[matrixId];
    const remedy = !matrix
      ? 'it is shown from there'
      : matrix.goes
        ? 'the monitor is fed otherwise'
        : 'a decoder puts it there';
    const lostTo = (cameraId: string): string | null => {
      const goes = gone.get(cameraId);
      if (goes) return goes;
      if (matrix) return lostToMatrix(cameraId, matrix);
      const after = site.placement[cameraId]?.recorderId ?? today.get(cameraId);
      if (after === undefined) return 'on no recorder yet';
      return recorderId === undefined || after === recorderId
        ? null
        : `on ${site.recorder[after]?.name ?? after}`;
    };
    const shown = tiles.flatMap((cameraId): Tile[] => {
      const camera = site.camera[cameraId];
      return camera ? [{ cameraId, number: camera.number, name: camera.name, lost: lostTo(cameraId) }] : [];
    });
    const old = oldInput[input];
    return [
      {
        id,
        name,
        placeId,
        source: recorder?.name ?? matrix?.name ?? null,
        across: Math.max(1, Math.ceil(Math.sqrt(shown.length))),
        tiles: shown,
        problems: [
          ...shown.flatMap(({ number, lost }) =>
            lost ? [`Camera ${number} is ${lost} then: its tile is empty, unless ${remedy}.`] : [],
          ),
          ...(recorder?.toBuy !== undefined && old !== null
            ? [
                `${recorder.name} is new: read whether it has a ${old} output, or plan a monitor that takes HDMI.`,
              ]
            : []),
        ],
      },
    ];
  });
}
