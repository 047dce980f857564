import type { Medium } from './types';

/** What a stroke of the tree runs over, in words. */
export const mediumWords: Record<Medium, string> = {
  'coax-picture': 'coax, picture',
  'coax-data': 'coax, data and power',
  'coax-converters': 'coax through converters',
  balun: 'pairs through baluns',
  category: 'category cable',
  patch: 'patch lead',
  fibre: 'fibre',
  radio: 'radio',
  'power-line': 'power line',
};
