import type { Medium } from '#core/connect/topology';

/** How a medium is drawn and what it is called: copper for coax, verdigris dashes for pairs, dots for fibre and radio. */
export interface MediumStroke {
  label: string;
  colour: string;
  weight: number;
  dashes: string;
}

export const mediumStrokes: Record<Medium, MediumStroke> = {
  'coax-picture': { label: 'coax, picture', colour: 'var(--copper)', weight: 2, dashes: '' },
  'coax-data': { label: 'coax, data and power', colour: 'var(--copper)', weight: 4, dashes: '' },
  'coax-converters': { label: 'coax through converters', colour: 'var(--copper)', weight: 4, dashes: '14 3' },
  balun: { label: 'pairs through baluns', colour: 'var(--verdigris)', weight: 2, dashes: '3 3' },
  category: { label: 'category cable', colour: 'var(--verdigris)', weight: 3, dashes: '8 3' },
  patch: { label: 'patch lead', colour: 'var(--verdigris)', weight: 2, dashes: '4 2' },
  fibre: { label: 'fibre', colour: 'var(--slate)', weight: 2, dashes: '1 4' },
  radio: { label: 'radio', colour: 'var(--ink-2)', weight: 1.5, dashes: '2 6' },
  'power-line': { label: 'power line', colour: 'var(--madder)', weight: 2, dashes: '6 4' },
};
