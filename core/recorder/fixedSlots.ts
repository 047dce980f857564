import type { SlotFamily } from './slots';

/** Fixed hybrid and network-only: every slot carries what it always carries, and nothing restarts. */
export const fixedSlots: SlotFamily = {
  turned: () => new Set(),
  broken: () => [],
  consequences: () => [],
};
