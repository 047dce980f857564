import type { SlotFamily } from './slots';

/** Fixed hybrid and network-only: every slot carries what it always carries, and nothing restarts. */
export const fixedSlots: SlotFamily = {
  turnsInOrder: false,
  splits: ({ inputs }) => [{ label: 'as it is', carries: (slot) => (slot <= inputs ? 'coax' : 'ip') }],
  ipInputs: () => new Set(),
  broken: () => [],
  usualChange: { restarts: false, factoryValues: false, losesAnalytics: false },
};
