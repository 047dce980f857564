import type { FireClass, Place } from '#core/model/site';
import type { Context } from './context';
import { fireClassOf } from './fireClass';
import { marginOfCondition } from './lineMargins';
import type { Margin } from './option';
import type { Part } from './part';
import { isSheltered } from './sheltered';

const cableItems: Record<'category' | 'fibre', Record<FireClass, string>> = {
  category: {
    general: 'category-cable-m',
    riser: 'category-cable-riser-m',
    plenum: 'category-cable-plenum-m',
    'escape-route': 'category-cable-escape-route-m',
  },
  fibre: {
    general: 'fibre-cable-m',
    riser: 'fibre-cable-riser-m',
    plenum: 'fibre-cable-plenum-m',
    'escape-route': 'fibre-cable-escape-route-m',
  },
};
/** Every row of the catalogue that is a new cable of any class. */
export const newCableItems = Object.values(cableItems).flatMap((items) => Object.values(items));

/** Metres of new cable of the class that its places ask for. */
export const newCable = (kind: 'category' | 'fibre', lengthM: number, ...places: Place[]): Part => ({
  item: cableItems[kind][fireClassOf(...places)],
  count: Math.ceil(lengthM),
});

interface Protection {
  parts: Part[];
  work: string[];
  cautions: string[];
}
const noProtection: Protection = { parts: [], work: [], cautions: [] };
const outdoorProtection: Protection = {
  parts: [{ item: 'surge-protector', count: 2 }],
  work: ['fit-surge-protectors'],
  cautions: ['Outdoor copper: surge protectors at both ends, each earthed where it stands.'],
};

/** What new copper takes beside itself where it leaves the building: protectors at both ends, earthed where they stand. */
export function surgeProtection(...places: Pick<Place, 'environment'>[]): Protection {
  return places.every(({ environment }) => isSheltered(environment)) ? noProtection : outdoorProtection;
}

const readEarths = 'Read the volts between the earths of both ends before new copper joins them.';

/** The camera’s end stands on another earth than its head end; which of the two the new cable’s start shares was not read. */
const doubtful = (margin: Margin, from: Place): Margin => ({
  ...margin,
  status: 'close',
  utilisation: doubtfulUtilisation,
  under: () => doubtfulUtilisation,
  derivation: () => ({
    ...margin.derivation(),
    conclusion: `The camera stands on another earth than its head end. Whether ${from.name} shares it was not read: read it, or use fibre.`,
  }),
});
const doubtfulUtilisation = 0.95;

/** Copper that joins two earths drives a current between them. What the old shield shows holds for a new cable from the same place. */
export function newCopperBetweenEarths(
  { line, readings, headEnd, place }: Context,
  from: Place,
): { margins: Margin[]; cautions: string[] } {
  // Within one place both ends stand on one earth.
  if (from.id === place.id) return { margins: [], cautions: [] };
  const found = line['data-and-power'].conditions.filter(({ kind }) => kind === 'earth');
  if (from.id === headEnd.id && readings['shield-earth-volts'])
    return { margins: found.map(marginOfCondition), cautions: found.map(({ message }) => message) };
  return {
    margins: found.map((condition) => doubtful(marginOfCondition(condition), from)),
    cautions: [readEarths],
  };
}
