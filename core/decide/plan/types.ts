import type { Highs } from 'highs';
import type { UnitCost, UnitSize } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Demands, OptionKind, Proof, Site } from '#core/model/site';
import type { Programme, Term } from '#core/solver';
import type { DemandRef } from './demandRef';
import type { CameraCandidates, Candidate, Candidates, ExcludedCamera } from './candidates';

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
  /** The place whose switch it leads to, where it is a way to one. */
  intoPlaceId: string | undefined;
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

/** An option for each camera, recorders to buy, and what it comes to. */
export interface Plan {
  options: Record<string, OptionKind>;
  buys: { productId: string; placeId: string; count: number }[];
  demands: Demands;
  proof: Proof;
  totals: PlanTotals;
  excluded: ExcludedCamera[];
}

/** What a plan is compared by. */
export interface PlanTotals {
  cost: number;
  hours: number;
  darkHours: number;
  renewCost: number;
  /** What the search weighed: cost with what the policies count beside it. */
  weighed: number;
  cameras: number;
  ipCameras: number;
  recabled: number;
  newCableM: number;
  /** The least share of any limit that is left over, in percent; how much of what it rests on is measured. */
  sparePercent: number;
  measured: number;
  /** Cameras whose option rests on facts that nobody has looked at, or on a run without its tests. */
  onOpenGaps: number;
}

/** What plans are worked out with: the solver, and whoever gives out slots and knows whether a plan finds one for each of its cameras. */
export interface PlanSolver {
  highs: Highs;
  findsSlots: (
    input: Pick<PlanningInput, 'site' | 'demands' | 'runs'>,
    plan: Pick<Plan, 'options' | 'buys'>,
  ) => boolean;
}
