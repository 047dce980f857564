import { signalCable } from '#core/physics/cable';

/** How a construction is drawn: weight for the size of coax, dashes for thin leads and pair cable, slate for steel. */
export interface Stroke {
  colour: string;
  weight: number;
  dashes: string;
  short: string;
}

const copper = 'var(--copper)';
const byId: Record<string, Stroke> = {
  'coax-rg59-cu': { colour: copper, weight: 3, dashes: '', short: 'RG-59' },
  'coax-rg59-ccs': { colour: 'var(--slate)', weight: 3, dashes: '', short: 'RG-59 steel' },
  'coax-rg6-cu': { colour: copper, weight: 5, dashes: '', short: 'RG-6' },
  'coax-rg6-ccs': { colour: 'var(--slate)', weight: 5, dashes: '', short: 'RG-6 steel' },
  'coax-rg11-cu': { colour: copper, weight: 8, dashes: '', short: 'RG-11' },
  'coax-mini': { colour: copper, weight: 2, dashes: '7 2', short: 'moulded' },
  'coax-micro': { colour: copper, weight: 2, dashes: '2 2', short: 'multi-core' },
  'pair-cat5e': { colour: 'var(--verdigris)', weight: 4, dashes: '9 3', short: 'Cat 5e' },
  'pair-cat5e-cca': { colour: 'var(--verdigris)', weight: 3, dashes: '5 3', short: 'Cat 5e CCA' },
  'pair-cat6': { colour: 'var(--verdigris)', weight: 5, dashes: '9 3', short: 'Cat 6' },
};

/** The stroke of a construction. One that is not in the list is drawn by its kind and named by its label. */
export function strokeOf(cableId: string): Stroke {
  const cable = signalCable(cableId);
  return (
    byId[cableId] ?? {
      colour: cable.kind === 'coax' ? copper : 'var(--verdigris)',
      weight: 4,
      dashes: cable.kind === 'coax' ? '' : '9 3',
      short: cable.label,
    }
  );
}
