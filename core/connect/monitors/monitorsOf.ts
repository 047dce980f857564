import { isGivenUp, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';

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
  recorder: string | null;
  /** Tiles in a row, so that all have room in a square. */
  across: number;
  tiles: Tile[];
  problems: string[];
}

/** Inputs that a recorder of today hardly has any more. */
const oldInput = { composite: 'composite', vga: 'VGA', hdmi: null } as const;

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
  return Object.values(site.equipment).flatMap(({ id, name, placeId, gear }): MonitorPicture[] => {
    if (gear.kind !== 'monitor') return [];
    const { recorderId, tiles = [], input } = gear;
    const recorder = recorderId === undefined ? undefined : site.recorder[recorderId];
    const lostTo = (cameraId: string): string | null => {
      const goes = gone.get(cameraId);
      if (goes) return goes;
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
        recorder: recorder?.name ?? null,
        across: Math.max(1, Math.ceil(Math.sqrt(shown.length))),
        tiles: shown,
        problems: [
          ...shown.flatMap(({ number, lost }) =>
            lost
              ? [`Camera ${number} is ${lost} then: its tile is empty, unless it is shown from there.`]
              : [],
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
