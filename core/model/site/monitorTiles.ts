import type { Change } from './change';
import type { Site } from './site';

/** The changes by which a camera that goes leaves the tiles of every monitor. */
export const leaveTiles = ({ equipment }: Pick<Site, 'equipment'>, cameraId: string): Change[] =>
  Object.values(equipment).flatMap((one): Change[] => {
    const { gear } = one;
    if (gear.kind !== 'monitor' || !gear.tiles?.includes(cameraId)) return [];
    const tiles = gear.tiles.filter((id) => id !== cameraId);
    return [{ kind: 'equipment', id: one.id, set: { ...one, gear: { ...gear, tiles } } }];
  });

/** Cameras by the numbers that a person types, in their order; `null` where one of them is no camera's. */
export function camerasNumbered({ camera }: Pick<Site, 'camera'>, text: string): string[] | null {
  const idOf = new Map(Object.values(camera).map(({ id, number }) => [String(number), id]));
  const ids = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((number) => idOf.get(number));
  return ids.every((id) => id !== undefined) ? ids : null;
}
