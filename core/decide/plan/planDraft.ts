import { draftProgramme, type Draft } from '#core/solver';
import { demandKey, type DemandRef } from './demandRef';

/** A plan's programme in the making, whose rows can stand for something that is demanded. */
export interface PlanDraft extends Draft<DemandRef> {
  /** What the demands in its rows are, by their names there. */
  demands: ReadonlyMap<string, DemandRef>;
}

export function planDraft(): PlanDraft {
  const { programme, variable, amount, row } = draftProgramme();
  const demands = new Map<string, DemandRef>();
  return {
    programme,
    demands,
    variable,
    amount,
    row: (name, terms, sense, bound, demand = null) => {
      if (!demand) return row(name, terms, sense, bound);
      const key = demandKey(demand);
      demands.set(key, demand);
      row(name, terms, sense, bound, key);
    },
  };
}
