import type { CameraEnd, Device, Topology, TopologyLink } from '#core/connect/topology';

/** Widths and heights of the tree, in pixels. */
export const boxWidth = 196;
const headHeight = 40;
const loadHeight = 18;
export const rowHeight = 24;
const gap = 18;
export const columnX = { recorder: 8, gear: 276, camera: 560 } as const;

export interface PlacedDevice {
  device: Device;
  x: number;
  y: number;
  height: number;
}

/** A line of the right column: the head of a place, or a camera. A folded place has its head alone. */
export type TreeRow =
  | { kind: 'place'; key: string; placeId: string; count: number; isFolded: boolean; y: number }
  | { kind: 'camera'; key: string; camera: CameraEnd; y: number };

export interface Stroke {
  key: string;
  path: string;
  medium: CameraEnd['medium'];
  of: { kind: 'link'; id: string } | { kind: 'camera'; id: string };
  isPlanned: boolean;
  /** Between which heights it runs. */
  top: number;
  bottom: number;
}

export interface TreeLayout {
  devices: PlacedDevice[];
  rows: TreeRow[];
  strokes: Stroke[];
  height: number;
}

const between = (a: number, b: number): { top: number; bottom: number } => ({
  top: Math.min(a, b),
  bottom: Math.max(a, b),
});

const boxHeight = (loads: number): number => headHeight + loads * loadHeight;

/** A curve from the right of one thing to the left of another. */
function curve(x1: number, y1: number, x2: number, y2: number): string {
  const middle = (x1 + x2) / 2;
  return `M${x1} ${y1} C${middle} ${y1} ${middle} ${y2} ${x2} ${y2}`;
}

/** Cameras in the order of what they hang on, so that strokes cross as little as can be, then by place and number. */
function inOrder({ cameras, devices }: Topology): CameraEnd[] {
  const rank = new Map(devices.map(({ id }, index) => [id, index]));
  const at = (id: string | null): number => (id === null ? devices.length : (rank.get(id) ?? devices.length));
  return [...cameras].sort(
    (a, b) =>
      at(a.recorderId) - at(b.recorderId) ||
      at(a.deviceId) - at(b.deviceId) ||
      (a.placeId < b.placeId ? -1 : a.placeId > b.placeId ? 1 : a.number - b.number),
  );
}

/** One block of the right column: cameras of one place that hang on one device and go to one recorder. */
const blockKey = ({ recorderId, deviceId, placeId }: CameraEnd): string =>
  `${recorderId ?? '-'} ${deviceId ?? '-'} ${placeId}`;

function rowsOf(cameras: readonly CameraEnd[], isFolded: (key: string) => boolean): TreeRow[] {
  const counts = new Map<string, number>();
  for (const camera of cameras) counts.set(blockKey(camera), (counts.get(blockKey(camera)) ?? 0) + 1);
  const rows: TreeRow[] = [];
  let y = 0;
  let last = '';
  for (const camera of cameras) {
    const key = blockKey(camera);
    if (key !== last) {
      if (last) y += 6;
      rows.push({
        kind: 'place',
        key,
        placeId: camera.placeId,
        count: counts.get(key)!,
        isFolded: isFolded(key),
        y,
      });
      y += rowHeight;
      last = key;
    }
    if (isFolded(key)) continue;
    rows.push({ kind: 'camera', key: camera.cameraId, camera, y });
    y += rowHeight;
  }
  return rows;
}

/** Boxes one under the other, each as near as can be to where its strokes want it. */
function stacked(
  wanted: readonly { device: Device; y: number; height: number }[],
  x: number,
): PlacedDevice[] {
  const placed: PlacedDevice[] = [];
  let free = 0;
  for (const { device, y, height } of [...wanted].sort((a, b) => a.y - b.y)) {
    const top = Math.max(free, y - height / 2);
    placed.push({ device, x, y: top, height });
    free = top + height + gap;
  }
  return placed;
}

/** Where everything of the tree stands: recorders left, gear in the middle, cameras right. */
export function treeLayout(
  topology: Topology,
  loadsOf: (deviceId: string) => number,
  isFolded: (key: string) => boolean,
): TreeLayout {
  const rows = rowsOf(inOrder(topology), isFolded);
  const yOfCamera = new Map<string, number>();
  const headY = new Map(rows.flatMap((row) => (row.kind === 'place' ? [[row.key, row.y] as const] : [])));
  for (const camera of topology.cameras) yOfCamera.set(camera.cameraId, headY.get(blockKey(camera))!);
  for (const row of rows) if (row.kind === 'camera') yOfCamera.set(row.camera.cameraId, row.y);
  const bottom = (rows.at(-1)?.y ?? 0) + rowHeight;

  /** Where the cameras of each key are, on average. */
  const meansBy = (key: (camera: CameraEnd) => string | null): Map<string, number> => {
    const sums = new Map<string, { sum: number; count: number }>();
    for (const camera of topology.cameras) {
      const id = key(camera);
      if (id === null) continue;
      const { sum, count } = sums.get(id) ?? { sum: 0, count: 0 };
      sums.set(id, { sum: sum + yOfCamera.get(camera.cameraId)!, count: count + 1 });
    }
    return new Map([...sums].map(([id, { sum, count }]) => [id, sum / count]));
  };
  const placeOf = new Map(topology.devices.map(({ id, placeId }) => [id, placeId]));
  /** Gear with nothing on it yet stands beside what else is at its place, where it is found. */
  const atPlaces = meansBy(({ deviceId }) => (deviceId === null ? null : (placeOf.get(deviceId) ?? null)));
  const besideOthers = ({ placeId }: Device): number => atPlaces.get(placeId) ?? bottom;
  const wanted = (devices: readonly Device[], means: ReadonlyMap<string, number>) =>
    devices.map((device) => ({
      device,
      y: means.get(device.id) ?? besideOthers(device),
      height: boxHeight(loadsOf(device.id)),
    }));
  const isRecorder = ({ kind }: Device): boolean => kind === 'recorder';
  const devices = [
    ...stacked(
      wanted(
        topology.devices.filter(isRecorder),
        meansBy(({ recorderId }) => recorderId),
      ),
      columnX.recorder,
    ),
    ...stacked(
      wanted(
        topology.devices.filter((device) => !isRecorder(device)),
        meansBy(({ deviceId }) => deviceId),
      ),
      columnX.gear,
    ),
  ];
  const placed = new Map(devices.map((one) => [one.device.id, one]));
  const strokes = [
    ...topology.links.flatMap((link) => linkStroke(link, placed)),
    ...rows.flatMap((row) => rowStroke(row, topology.cameras, placed)),
  ];
  return {
    devices,
    rows,
    strokes,
    height: Math.max(bottom, ...devices.map(({ y, height }) => y + height)) + gap,
  };
}

function linkStroke(link: TopologyLink, placed: ReadonlyMap<string, PlacedDevice>): Stroke[] {
  const [from, to] = [placed.get(link.fromId), placed.get(link.toId)];
  if (!from || !to) return [];
  const middle = ({ y, height }: PlacedDevice): number => y + height / 2;
  const path =
    from.x === to.x
      ? // Two of one column are joined past its left edge, away from the cameras.
        `M${from.x} ${middle(from)} C${from.x - 44} ${middle(from)} ${to.x - 44} ${middle(to)} ${to.x} ${middle(to)}`
      : curve(
          Math.min(from.x, to.x) + boxWidth,
          middle(from.x < to.x ? from : to),
          Math.max(from.x, to.x),
          middle(from.x < to.x ? to : from),
        );
  return [
    {
      key: link.id,
      path,
      medium: link.medium,
      of: { kind: 'link', id: link.id },
      isPlanned: link.standing === 'planned',
      ...between(middle(from), middle(to)),
    },
  ];
}

function rowStroke(
  row: TreeRow,
  cameras: readonly CameraEnd[],
  placed: ReadonlyMap<string, PlacedDevice>,
): Stroke[] {
  if (row.kind === 'place' && !row.isFolded) return [];
  const camera = row.kind === 'camera' ? row.camera : cameras.find((one) => blockKey(one) === row.key)!;
  const from = camera.deviceId === null ? undefined : placed.get(camera.deviceId);
  if (!from) return [];
  const path = curve(from.x + boxWidth, from.y + from.height / 2, columnX.camera - 6, row.y + rowHeight / 2);
  return [
    {
      key: `camera ${row.key}`,
      path,
      medium: camera.medium,
      of: { kind: 'camera', id: camera.cameraId },
      isPlanned: false,
      ...between(from.y + from.height / 2, row.y + rowHeight / 2),
    },
  ];
}

/** Over so many pixels nobody reads the dashes of a stroke any more, and drawing them takes most of the time. */
const longestDashed = 1500;

/** The dashes that a stroke is drawn with, out of those of its medium. */
export const dashesOf = (
  { top, bottom }: Pick<Stroke, 'top' | 'bottom'>,
  dashes: string,
): string | undefined => (bottom - top > longestDashed ? undefined : dashes || undefined);

/** What of a tree lies between two heights: of a large one no more is drawn than can be seen. */
export function inSight(layout: TreeLayout, top: number, bottom: number): TreeLayout {
  const isSeen = (from: number, to: number): boolean => to >= top && from <= bottom;
  return {
    ...layout,
    devices: layout.devices.filter(({ y, height }) => isSeen(y, y + height)),
    rows: layout.rows.filter(({ y }) => isSeen(y, y + rowHeight)),
    strokes: layout.strokes.filter((stroke) => isSeen(stroke.top, stroke.bottom)),
  };
}
