import type { TestId } from '#core/model/site';
import type { Unit } from '#core/shared/units';
import type { Basis, Figure, Status } from '#core/shared/derivation';

/** How a run holds for a use in one respect. */
export interface UseMargin {
  label: string;
  unit: Unit;
  value: number;
  /** What it is held against. */
  limit: Figure;
  utilisation: number;
  status: Status;
  basis: Basis;
  /** The same with what is not measured at its worst and at its best. */
  range: { worst: Status; best: Status };
  /** The test that would narrow the range, where one would. */
  test: TestId | null;
}

/** What a run can be used for, and how well. */
export interface Use {
  id: string;
  label: string;
  status: Status;
  /** Margins with the least to spare first. */
  margins: UseMargin[];
  basis: Basis;
  message: string;
}

/** A reading that could turn what a run is fit for. */
export interface WorthReading {
  test: TestId;
  uses: string[];
}

export interface Uses {
  uses: Use[];
  /** In one sentence. */ message: string;
  worthReading: WorthReading[];
}
