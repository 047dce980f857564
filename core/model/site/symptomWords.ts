import type { Symptom } from '#core/physics/picture';

/** What a symptom is called, and what a person sees. */
export const symptomWords: Record<Symptom, { label: string; seen: string }> = {
  soft: { label: 'Soft', seen: 'washed out, no fine detail' },
  ghost: { label: 'Ghost', seen: 'everything again, fainter, to the right' },
  bars: { label: 'Bars', seen: 'broad bars that stand or roll' },
  sparkles: { label: 'Sparkles', seen: 'specks and lines that come and go' },
  torn: { label: 'Torn', seen: 'bent, torn or without colour' },
  rolling: { label: 'Rolling', seen: 'the whole picture runs up or down' },
  'test-bars-only': { label: 'Test bars only', seen: 'coloured bars, no self-test motion' },
  'no-picture': { label: 'No picture', seen: 'nothing arrives' },
  'gone-at-night': { label: 'Gone at night', seen: 'fine by day, lost when the lamps come on' },
};
