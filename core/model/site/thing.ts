import type { Fact, Site } from './site';

type Thing = Fact<'pin'>['of'] | Fact<'photo'>['of'];

/** What a thing that can be drawn or photographed is called: `8 Weighbridge`, `Quay box`. */
export function thingName(site: Site, { kind, id }: Thing): string {
  switch (kind) {
    case 'camera': {
      const camera = site.camera[id];
      return camera ? `${camera.number} ${camera.name}` : id;
    }
    case 'run':
      return `run ${site.camera[site.run[id]?.cameraId ?? '']?.number ?? id}`;
    default:
      return site[kind][id]?.name ?? id;
  }
}
