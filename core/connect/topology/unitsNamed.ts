import { portKinds, type SharedEquipment } from '#core/decide/options';
import type { Site } from '#core/model/site';

/** A unit that is bought. */
export interface NamedUnit {
  /** Its row of the catalogue, and which one of those it is, from 1. */
  item: string;
  at: number;
  /** `Coax unit 2, Gatehouse`: numbered through, whatever their sizes, where a place needs several. */
  name: string;
}

/** Units of one kind that a place needs, each under a name of its own. */
export function unitsNamed(
  { of, placeId, parts }: Pick<SharedEquipment, 'of' | 'placeId' | 'parts'>,
  { place }: Pick<Site, 'place'>,
): NamedUnit[] {
  const units = parts.flatMap(({ item, count }) =>
    Array.from({ length: count }, (_, index) => ({ item, at: index + 1 })),
  );
  const at = place[placeId]?.name ?? placeId;
  return units.map((unit, index) => ({
    ...unit,
    name: `${portKinds[of].unit}${units.length > 1 ? ` ${index + 1}` : ''}, ${at}`,
  }));
}
