import type { SlotFamily } from './slots';

/** Switch per input: any input can turn to IP by itself; the recorder restarts for it. */
export const switchPerInput: SlotFamily = {
  turnsInOrder: false,
  splits: ({ inputs }) => [
    { label: 'input by input', carries: (slot) => (slot <= inputs ? 'either' : 'ip') },
  ],
  ipInputs: ({ inputs }, occupants) =>
    new Set(
      occupants
        .filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs)
        .map(({ slot }) => slot),
    ),
  broken: () => [],
  usualChange: { restarts: true, factoryValues: false, losesAnalytics: false },
};
