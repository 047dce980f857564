import { draftProgramme, type Programme, type Row, type Term } from '#core/solver';
import { demandKey, type DemandRef } from './demandRef';

/** A plan's programme in the making, whose rows can stand for something that is demanded. */
export interface PlanDraft {
  programme: Programme;
  /** What the demands in its rows are, by their names there. */
  demands: ReadonlyMap<string, DemandRef>;
  variable: (name: string, most: number, cost: number) => number;
  row: (
    name: string,
    terms: readonly Term[],
    sense: Row['sense'],
    bound: number,
    demand?: DemandRef | null,
  ) => void;
}

export function planDraft(): PlanDraft {
  const { programme, variable, row } = draftProgramme();
  const demands = new Map<string, DemandRef>();
  return {
    programme,
    demands,
    variable,
    row: (name, terms, sense, bound, demand = null) => {
      const key = demand && demandKey(demand);
      if (demand && key !== null) demands.set(key, demand);
      row(name, terms, sense, bound, key);
    },
  };
}
