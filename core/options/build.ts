import type { OptionKind } from '#core/site';
import { worst } from '#core/working';
import type { Context } from './context';
import type { Impossible, Margin, Part, Possible, SharedPort } from './option';
import { labour, labourPerHour, prices, type Labour } from './priceBook';

/** What one port of shared equipment costs when its unit is full; the total counts whole units. */
const portCosts: Record<SharedPort['of'], number> = { 'coax-unit': Math.round(prices['coax-unit-16'].each / 16), 'poe-switch': Math.round(prices['poe-switch-24'].each / 24) };

export interface Draft {
  kind: OptionKind;
  margins: Margin[];
  parts: Part[];
  shared?: SharedPort | undefined;
  work: Labour[];
  signal: Possible['signal'];
  says: string;
  cautions: string[];
  remedy: (binding: Margin) => string;
}

interface Access { work: Labour[]; parts: Part[]; cautions: string[] }
const noAccess: Access = { work: [], parts: [], cautions: [] };

/** Time and hire that the camera's height costs, once per visit. */
function accessWork({ place }: Context): Access {
  switch (place.access.by) {
    case 'ground': return noAccess;
    case 'ladder': return { work: [labour.ladder], parts: [], cautions: ['Working at height: ladder footed, never alone.'] };
    case 'lift': return { work: [labour.liftOrRope], parts: [{ item: 'lift-half-day', count: 1 }], cautions: ['Working at height: lift and trained operator, never alone.'] };
    case 'rope': return { work: [labour.liftOrRope], parts: [], cautions: ['Rope access: trained people only, never alone.'] };
  }
}

/** The least margin to spare decides; a margin past its limit beats any that is not. */
function bindingOf(margins: readonly Margin[]): Margin {
  const rank = { fails: 2, close: 1, holds: 0 } as const;
  return margins.reduce((a, b) => (rank[b.standing] > rank[a.standing] || (rank[b.standing] === rank[a.standing] && b.share > a.share) ? b : a));
}

/** Labour in whole units of the currency. */
export const labourCostOf = (hours: number): number => Math.round(hours * labourPerHour);

export function costOf(parts: readonly Part[], hours: number): number {
  return parts.reduce((sum, { item, count }) => sum + prices[item].each * count, 0) + labourCostOf(hours);
}

/** Turns margins, parts and tasks into an option with its cost and the way it stands. */
export function possible(context: Context, draft: Draft): Possible {
  const access = draft.work.length > 0 ? accessWork(context) : noAccess;
  const work = [...draft.work, ...access.work];
  const parts = [...draft.parts, ...access.parts];
  const hours = work.reduce((sum, task) => sum + task.hours, 0);
  const portCost = draft.shared ? portCosts[draft.shared.of] : 0;
  const binding = bindingOf(draft.margins);
  const state = worst(draft.margins.map(({ standing }) => standing));
  return {
    kind: draft.kind, state, margins: draft.margins, binding, parts, hours,
    shared: draft.shared ?? null,
    darkHours: work.reduce((sum, task) => sum + task.darkHours, 0),
    labourCost: labourCostOf(hours), portCost, cost: costOf(parts, hours) + portCost,
    signal: draft.signal, says: draft.says,
    cautions: [...draft.cautions, ...access.cautions],
    broken: state === 'fails' ? { limit: `${binding.label}: ${binding.working().conclusion}`, remedy: draft.remedy(binding) } : null,
  };
}

export function impossible(kind: OptionKind, short: string, why: string): Impossible {
  return { kind, state: 'no', short, why };
}
