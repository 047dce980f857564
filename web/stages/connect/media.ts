import type { Medium } from '#core/connect/topology';

/** How a medium is drawn: copper for coax, verdigris dashes for pairs, dots for fibre and radio. */
export interface MediumStroke {
  colour: string;
  weight: number;
  dashes: string;
}

export const mediumStrokes: Record<Medium, MediumStroke> = {
  'coax-picture': { colour: 'var(--copper)', weight: 2, dashes: '' },
  'coax-data': { colour: 'var(--copper)', weight: 4, dashes: '' },
  'coax-converters': { colour: 'var(--copper)', weight: 4, dashes: '14 3' },
  balun: { colour: 'var(--verdigris)', weight: 2, dashes: '3 3' },
  category: { colour: 'var(--verdigris)', weight: 3, dashes: '8 3' },
  patch: { colour: 'var(--verdigris)', weight: 2, dashes: '4 2' },
  fibre: { colour: 'var(--slate)', weight: 2, dashes: '1 4' },
  radio: { colour: 'var(--ink-2)', weight: 1.5, dashes: '2 6' },
  'power-line': { colour: 'var(--madder)', weight: 2, dashes: '6 4' },
};
