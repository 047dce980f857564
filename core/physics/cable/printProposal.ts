import type { JacketPrint, PrintMaterial } from './jacketPrint';
import type { Material } from './gauge';
import { coaxCables, pairCables, powerCables } from './tables';

/** Constructions of the tables that a print points at. One is proposed only where no other fits as well. */
export interface Proposal {
  cable: string | null;
  powerCable: string | null;
  doubts: string[];
}

const isMaterial = (material: Material, printed: PrintMaterial | undefined): boolean =>
  printed === undefined || material === printed || (printed === 'ccs' && material.startsWith('ccs'));

/** `coax-rg59-cu` is of type `RG-59`, `pair-cat5e-cca` of category `Cat5e`. */
const family = (id: string): string => (id.split('-')[1] ?? '').replace(/^rg/, 'RG-').replace(/^cat/, 'Cat');

/** Rows that fit what was printed of a cable, whether its metal was printed, and how it is spoken of. */
interface Fitting {
  what: string;
  ids: string[];
  metal: PrintMaterial | undefined;
  labels: readonly { id: string; label: string }[];
}

/** The one row that fits, where the print names its metal: what nobody printed is not made up. */
const proposed = ({ ids, metal }: Fitting): string | null =>
  ids.length === 1 && metal !== undefined ? ids[0]! : null;

function doubtOf({ what, ids, metal, labels }: Fitting): string[] {
  const labelOf = (id: string) => labels.find((row) => row.id === id)!.label;
  if (ids.length === 0) return [`No construction in the tables is ${what}.`];
  if (ids.length > 1) return [`${what}: the print fits ${ids.map(labelOf).join(' and ')} alike.`];
  return metal === undefined
    ? [
        `${what}: the print does not name the metal. The tables know ${labelOf(ids[0]!)} only; pick it once you are sure, or let the loop tell.`,
      ]
    : [];
}

function coaxIds({ coax }: JacketPrint): string[] {
  return coaxCables
    .filter(
      ({ id, printed, centre }) =>
        (printed ?? family(id)) === coax?.type &&
        isMaterial(centre.material, coax.material) &&
        (coax.centreAwg === undefined || !('awg' in centre) || centre.awg === coax.centreAwg),
    )
    .map(({ id }) => id);
}

/** Cable thinner than this prints its gauge: where none is printed, it is of a usual one. */
const thinnestUnsaidAwg = 24;

/** Unscreened where no screen is printed: every figure of it is the more cautious one. */
function pairIds({ pairs }: JacketPrint): string[] {
  return pairCables
    .filter(
      ({ id, conductor, screened = false }) =>
        family(id) === pairs?.category &&
        isMaterial(conductor.material, pairs.material) &&
        screened === (pairs.screened ?? false) &&
        'awg' in conductor &&
        (pairs.awg === undefined ? conductor.awg <= thinnestUnsaidAwg : conductor.awg === pairs.awg),
    )
    .map(({ id }) => id);
}

function powerIds({ power }: JacketPrint): string[] {
  return powerCables
    .filter(
      ({ cores, conductor }) =>
        (power?.cores === undefined || cores === power.cores) &&
        isMaterial(conductor.material, power?.material) &&
        (power?.awg === undefined || ('awg' in conductor && conductor.awg === power.awg)) &&
        (power?.areaMm2 === undefined || ('areaMm2' in conductor && conductor.areaMm2 === power.areaMm2)),
    )
    .map(({ id }) => id);
}

/** The cable and the power cores that a print points at, and why there is none where there is none. */
export function proposalFrom(print: JacketPrint): Proposal {
  const { coax, pairs, power } = print;
  const line: Fitting | null = coax?.type
    ? { what: `${coax.type} as printed`, ids: coaxIds(print), metal: coax.material, labels: coaxCables }
    : pairs?.category
      ? {
          what: `${pairs.category} as printed`,
          ids: pairIds(print),
          metal: pairs.material,
          labels: pairCables,
        }
      : null;
  const cores: Fitting | null = power
    ? {
        what: 'a pair of power cores as printed',
        ids: powerIds(print),
        metal: power.material,
        labels: powerCables,
      }
    : null;
  return {
    cable: line && proposed(line),
    powerCable: cores && proposed(cores),
    doubts: [...(line ? doubtOf(line) : []), ...(cores ? doubtOf(cores) : [])],
  };
}

const materialWords: Record<PrintMaterial, string> = {
  copper: 'copper',
  cca: 'copper-clad aluminium',
  ccs: 'copper-clad steel',
};
const words = (...parts: (string | false | undefined)[]): string => parts.filter(Boolean).join(' ');

/** What a print says, in a line for the person who typed it. */
export function saysInWords({ coax, power, pairs, fireRating, lengthMark }: JacketPrint): string {
  return [
    coax &&
      words(
        coax.type ?? 'coax',
        coax.centreAwg !== undefined && `${coax.centreAwg} AWG`,
        coax.material && materialWords[coax.material],
        coax.braidPercent !== undefined && `${coax.braidPercent} % braid`,
      ),
    power &&
      words(
        power.cores !== undefined && `${power.cores} power cores`,
        power.awg !== undefined && `${power.awg} AWG`,
        power.areaMm2 !== undefined && `${power.areaMm2} mm²`,
        power.material && materialWords[power.material],
      ),
    pairs &&
      words(
        pairs.category,
        pairs.screened && 'screened',
        pairs.pairs !== undefined && `${pairs.pairs} pairs`,
        pairs.awg !== undefined && `${pairs.awg} AWG`,
        pairs.material && materialWords[pairs.material],
      ),
    fireRating && `rated ${fireRating}`,
    lengthMark && `mark ${lengthMark.value} ${lengthMark.unit}`,
  ]
    .filter(Boolean)
    .join('; ');
}
