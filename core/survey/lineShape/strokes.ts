import { signalCable } from '#core/physics/cable';

/** What a line is drawn with, by name: what colour that is depends on screen, theme and paper. */
export type Ink = 'copper' | 'slate' | 'madder' | 'verdigris';

/** How a construction is drawn: weight for the size of coax, dashes for thin leads and pair cable, slate for steel. */
export interface Stroke {
  colour: Ink;
  weight: number;
  dashes: string;
  short: string;
}

const copper = 'copper';
const byId: Record<string, Stroke> = {
  'coax-rg59-cu': { colour: copper, weight: 3, dashes: '', short: 'RG-59' },
  'coax-rg59-ccs': { colour: 'slate', weight: 3, dashes: '', short: 'RG-59 steel' },
  'coax-rg59-ccs20': { colour: 'slate', weight: 4, dashes: '', short: 'RG-59 steel, 20 AWG' },
  'coax-rg59-pe-cu': { colour: copper, weight: 3, dashes: '14 2', short: 'RG-59 solid PE' },
  'coax-rg59-pe-ccs': { colour: 'slate', weight: 3, dashes: '14 2', short: 'RG-59 steel, solid PE' },
  'coax-rg6-cu': { colour: copper, weight: 5, dashes: '', short: 'RG-6' },
  'coax-rg6-ccs': { colour: 'slate', weight: 5, dashes: '', short: 'RG-6 steel' },
  'coax-rg11-cu': { colour: copper, weight: 8, dashes: '', short: 'RG-11' },
  'coax-metric-3c': { colour: copper, weight: 4, dashes: '14 2', short: '3C-2V' },
  'coax-metric-5c': { colour: copper, weight: 5, dashes: '14 2', short: '5C-2V' },
  'coax-rg58': { colour: 'madder', weight: 3, dashes: '', short: 'RG-58, 50 Ω' },
  'coax-mini': { colour: copper, weight: 2, dashes: '7 2', short: 'moulded' },
  'coax-mini-28': { colour: 'slate', weight: 2, dashes: '7 2', short: 'moulded, 28 AWG' },
  'coax-mini-30': { colour: 'slate', weight: 1, dashes: '7 2', short: 'moulded, 30 AWG' },
  'coax-micro': { colour: copper, weight: 2, dashes: '2 2', short: 'multi-core' },
  'pair-cat5': { colour: 'verdigris', weight: 4, dashes: '5 5', short: 'Cat 5' },
  'pair-cat5e': { colour: 'verdigris', weight: 4, dashes: '9 3', short: 'Cat 5e' },
  'pair-cat5e-cca': { colour: 'verdigris', weight: 3, dashes: '5 3', short: 'Cat 5e CCA' },
  'pair-cat5e-26': { colour: 'verdigris', weight: 2, dashes: '9 3', short: 'Cat 5e thin' },
  'pair-cat6': { colour: 'verdigris', weight: 5, dashes: '9 3', short: 'Cat 6' },
  'pair-cat6-foil': { colour: 'verdigris', weight: 6, dashes: '14 2', short: 'Cat 6 foil' },
  'pair-cat6-26': { colour: 'verdigris', weight: 2, dashes: '5 3', short: 'Cat 6 thin' },
};

/** The stroke of a construction. One that is not in the list is drawn by its kind and named by its label. */
export function strokeOf(cableId: string): Stroke {
  const cable = signalCable(cableId);
  return (
    byId[cableId] ?? {
      colour: cable.kind === 'coax' ? copper : 'verdigris',
      weight: 4,
      dashes: cable.kind === 'coax' ? '' : '9 3',
      short: cable.label,
    }
  );
}
