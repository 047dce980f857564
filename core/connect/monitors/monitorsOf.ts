import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Equipment, Site } from '#core/model/site';
import { tileLosses, type LossOf, type TileSource } from './tileLosses';

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

type MonitorGear = Extract<Equipment['gear'], { kind: 'monitor' }>;

/** Inputs that a recorder of today hardly has any more. */
const oldInput = { composite: 'composite', vga: 'VGA', hdmi: null } as const;

function sourceOf({ equipment }: Site, { recorderId, matrixId }: MonitorGear): TileSource {
  const matrix = matrixId === undefined ? undefined : equipment[matrixId];
  if (matrix) return { kind: 'matrix', matrix };
  return recorderId === undefined ? null : { kind: 'recorder', id: recorderId };
}

const nameOf = ({ recorder }: Site, source: TileSource): string | null =>
  source?.kind === 'matrix' ? source.matrix.name : source ? (recorder[source.id]?.name ?? null) : null;

/** What brings a picture back that a tile loses. */
function remedyFor(source: TileSource): string {
  if (source?.kind !== 'matrix') return 'it is shown from there';
  return source.matrix.goes ? 'the monitor is fed otherwise' : 'a decoder puts it there';
}

const tilesOf = (
  { camera }: Site,
  { tiles = [] }: MonitorGear,
  lossOf: (cameraId: string) => string | null,
) =>
  tiles.flatMap((cameraId): Tile[] => {
    const { [cameraId]: shown } = camera;
    return shown ? [{ cameraId, number: shown.number, name: shown.name, lost: lossOf(cameraId) }] : [];
  });

/** A recorder that is bought may not have the output that the monitor takes. */
function outputProblems({ recorder }: Site, { recorderId = '', input }: MonitorGear): string[] {
  const { [recorderId]: from } = recorder;
  const old = oldInput[input];
  return from?.toBuy === undefined || old === null
    ? []
    : [`${from.name} is new: read whether it has a ${old} output, or plan a monitor that takes HDMI.`];
}

function monitorPicture(
  site: Site,
  { id, name, placeId, gear }: Equipment,
  lossOf: LossOf,
): MonitorPicture[] {
  if (gear.kind !== 'monitor') return [];
  const source = sourceOf(site, gear);
  const tiles = tilesOf(site, gear, (cameraId) => lossOf(cameraId, source));
  const lost = tiles.flatMap(({ number, lost: why }) =>
    why ? [`Camera ${number} is ${why} then: its tile is empty, unless ${remedyFor(source)}.`] : [],
  );
  return [
    {
      id,
      name,
      placeId,
      source: nameOf(site, source),
      across: Math.max(1, Math.ceil(Math.sqrt(tiles.length))),
      tiles,
      problems: [...lost, ...outputProblems(site, gear)],
    },
  ];
}

/** Every monitor, with tiles that lose their camera to another recorder or for good. */
export function monitorsOf(site: Site, runs: readonly RunEvaluation[]): MonitorPicture[] {
  const lossOf = tileLosses(site, runs);
  return Object.values(site.equipment).flatMap((one) => monitorPicture(site, one, lossOf));
}
