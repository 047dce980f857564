import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import {
  addEquipment,
  freeId,
  placeNamed,
  usualLinkMbps,
  type Change,
  type Equipment,
  type Gear,
  type NetworkGearKind,
  type Product,
  type Site,
} from '#core/model/site';

/** A switch without power for a pole or wall: the row of the catalogue has a price and no figures. */
const fieldSwitchId = 'field-switch';
const fieldSwitch: Gear = { kind: 'switch', ports: 8, poePorts: 0, poeWatts: 0, uplinkMbps: 1000 };

/** What a row of the catalogue is as network gear; `null` where it is none. */
function gearOf(product: Product): Gear | null {
  switch (product.kind) {
    case 'poe-switch':
    case 'long-reach-switch': {
      const { ports, watts, portWatts, uplinkMbps } = product;
      const power = portWatts === undefined ? {} : { portWatts };
      const reach =
        product.kind === 'long-reach-switch'
          ? { reach: { metres: product.reachM, mbps: product.reachMbps } }
          : {};
      return { kind: 'switch', ports, poePorts: ports, poeWatts: watts, uplinkMbps, ...power, ...reach };
    }
    case 'coax-unit': {
      const { ports, watts, portWatts, uplinkMbps } = product;
      const power = portWatts === undefined ? {} : { portWatts };
      return { kind: 'coax-unit', ports, poeWatts: watts, uplinkMbps, ...power };
    }
    case 'encoder': {
      const { ports, uplinkMbps } = product;
      return { kind: 'encoder', ports, uplinkMbps };
    }
    case 'radio':
      return { kind: 'link-end', medium: 'radio', carriesMbps: usualLinkMbps.radio };
    case 'fibre-end':
      return { kind: 'link-end', medium: 'fibre', carriesMbps: product.mbps };
    case 'converter':
      return { kind: 'link-end', medium: 'coax-converters', carriesMbps: usualLinkMbps['coax-converters'] };
    default:
      return product.id === fieldSwitchId ? fieldSwitch : null;
  }
}

/** Rows of the catalogue that can be bought as network gear. */
export const networkGearRows = ({ products }: Catalogue): Product[] =>
  [...products.values()].filter((product) => gearOf(product) !== null);

/** What a person says of network gear that is to be noted: what is there by its kind, what is to be bought by its row of the catalogue. */
export interface NewNetworkGear {
  name: string;
  placeName: string;
  what: { kind: 'there'; gear: NetworkGearKind } | { kind: 'to-buy'; productId: string };
}

/** The changes that note it, and its place where the site has none of that name; nothing where the row is no network gear. */
export function newNetworkGear(
  site: Site,
  { name, placeName, what }: NewNetworkGear,
  mark?: string,
): Change[] {
  const { place, changes: placing } = placeNamed(site, placeName, mark);
  if (what.kind === 'there') return [...placing, addEquipment(site, what.gear, name, place.id, mark)];
  const product = catalogueOf(site).products.get(what.productId);
  const gear = product && gearOf(product);
  if (!gear) return [];
  const id = freeId((one) => one in site.equipment, name, mark);
  const set: Equipment = { id, name, placeId: place.id, gear, toBuy: what.productId };
  return [...placing, { kind: 'equipment', id, set }];
}
