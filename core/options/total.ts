import type { Part, Possible, SharedPort } from './option';
import { prices, type Item } from './priceBook';
import { costOf } from './build';

interface Unit { item: Item; ports: number; watts: number }

/** Shared equipment by size. Power budgets are the generic ones of the price book's labels. */
const sizes: Record<SharedPort['of'], [Unit, Unit]> = {
  'coax-unit': [{ item: 'coax-unit-8', ports: 8, watts: 130 }, { item: 'coax-unit-16', ports: 16, watts: 250 }],
  'poe-switch': [{ item: 'poe-switch-8', ports: 8, watts: 120 }, { item: 'poe-switch-24', ports: 24, watts: 370 }],
};

export interface SharedEquipment { of: SharedPort['of']; placeId: string; ports: number; watts: number; parts: Part[]; cost: number }

/** The cheapest whole units of two sizes that have the ports and the watts. */
export function cheapestUnits(of: SharedPort['of'], ports: number, watts: number): Part[] {
  const [small, large] = sizes[of];
  const mostLarge = Math.ceil(Math.max(ports / large.ports, watts / large.watts));
  const mixes = Array.from({ length: mostLarge + 1 }, (_, larges) => {
    const smalls = Math.max(0, Math.ceil((ports - larges * large.ports) / small.ports), Math.ceil((watts - larges * large.watts) / small.watts));
    return { larges, smalls, cost: larges * prices[large.item].each + smalls * prices[small.item].each };
  });
  const { larges, smalls } = mixes.reduce((a, b) => (b.cost < a.cost ? b : a));
  return [{ item: large.item, count: larges }, { item: small.item, count: smalls }].filter(({ count }) => count > 0);
}

export interface Total { cost: number; hours: number; darkHours: number; parts: Part[]; shared: SharedEquipment[] }

function mergeParts(parts: readonly Part[]): Part[] {
  const counts = new Map<Item, number>();
  for (const { item, count } of parts) counts.set(item, (counts.get(item) ?? 0) + count);
  return [...counts].map(([item, count]) => ({ item, count }));
}

/** What chosen options come to together: each one's own parts and labour, and whole units of what they share. */
export function totalOf(chosen: readonly Possible[]): Total {
  const groups = new Map<string, { of: SharedPort['of']; placeId: string; ports: number; watts: number }>();
  for (const { shared } of chosen) {
    if (!shared) continue;
    const key = `${shared.of} ${shared.placeId}`;
    const group = groups.get(key) ?? { of: shared.of, placeId: shared.placeId, ports: 0, watts: 0 };
    groups.set(key, { ...group, ports: group.ports + 1, watts: group.watts + shared.sourceWatts });
  }
  const shared = [...groups.values()].map((group) => {
    const parts = cheapestUnits(group.of, group.ports, group.watts);
    return { ...group, parts, cost: costOf(parts, 0) };
  });
  const hours = chosen.reduce((sum, option) => sum + option.hours, 0);
  const ownCost = chosen.reduce((sum, option) => sum + costOf(option.parts, option.hours), 0);
  return {
    cost: ownCost + shared.reduce((sum, group) => sum + group.cost, 0),
    hours, darkHours: chosen.reduce((sum, option) => sum + option.darkHours, 0),
    parts: mergeParts([...chosen.flatMap((option) => option.parts), ...shared.flatMap((group) => group.parts)]),
    shared,
  };
}
