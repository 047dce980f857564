/** What can be seen of a picture. None of them is a clean one. */
export const symptoms = [
  'soft',
  'ghost',
  'bars',
  'sparkles',
  'torn',
  'rolling',
  'test-bars-only',
  'no-picture',
  'gone-at-night',
] as const;
export type Symptom = (typeof symptoms)[number];
