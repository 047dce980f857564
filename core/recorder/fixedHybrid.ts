import type { SlotFamily } from './slots';

/** Fixed hybrid: coax inputs stay coax, IP cameras go on the IP slots, nothing restarts. */
export const fixedHybrid: SlotFamily = {
  mostConversions: () => 0,
  conversionsFor: () => 0,
  broken: () => [],
  consequences: () => [],
};
