import type { UnitCost, UnitSize } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Demands, Site } from '#core/model/site';
import type { Programme, Term } from '#core/solver';
import type { DemandRef } from './demandRef';
import type { CameraCandidates, Candidate, Candidates } from './candidates';

/** Whole units of one size at one place. */
export interface UnitCount {
  placeId: string;
  size: UnitSize;
  variable: number;
}

/** Units of something that several cameras share beside ports. */
export interface ThingCount {
  key: string;
  unit: UnitCost;
  variable: number;
  /** The place of the port that a unit of it takes, and what each option sends through it. */
  port: { placeId: string; sent: Term[] } | undefined;
}

/** A recorder that could be bought, as an unknown. */
export interface RecorderBuy {
  productId: string;
  placeId: string;
  variable: number;
}

/** An option of a camera as an unknown: taken or not. */
export interface PlanPick {
  camera: CameraCandidates;
  candidate: Candidate;
  variable: number;
}

/** The whole site as a programme, and what its unknowns stand for. */
export interface PlanModel {
  programme: Programme;
  /** What the demands in its rows are, by their names there. */
  demands: ReadonlyMap<string, DemandRef>;
  picks: PlanPick[];
  units: UnitCount[];
  buys: RecorderBuy[];
  things: ThingCount[];
}

/** A site worked out under demands that may differ from its own, ready to be planned. */
export interface PlanningInput {
  site: Site;
  demands: Demands;
  runs: readonly RunEvaluation[];
  candidates: Candidates;
  model: PlanModel;
}
