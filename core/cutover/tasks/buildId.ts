import type { PortKind, SharedPort } from '#core/decide/options';
import type { Equipment } from '#core/model/site';
import { taskIdOf } from './task';

/** What equipment that cameras share is built under. */
export const buildIdOf = ({ of, placeId }: Pick<SharedPort, 'of' | 'placeId'>): string =>
  taskIdOf('build', of, placeId);

/** What cameras take ports of a piece of gear as; `null` where they take none. */
function portKindOf({ gear }: Pick<Equipment, 'gear'>): PortKind | null {
  switch (gear.kind) {
    case 'coax-unit':
    case 'encoder':
      return gear.kind;
    case 'switch':
      return gear.reach ? 'long-reach-switch' : 'poe-switch';
    default:
      return null;
  }
}

/** What bought gear is built under: a unit that a choice asked for stays the same task once somebody has noted it as gear. */
export function gearBuildId(equipment: Pick<Equipment, 'id' | 'gear' | 'placeId'>): string {
  const of = portKindOf(equipment);
  return of ? buildIdOf({ of, placeId: equipment.placeId }) : taskIdOf('build', equipment.id);
}
