import type { Camera, Run } from '#core/model/site';
import type { Agreement, FeedSource, Verdict } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { Trouble } from './causes';

/** What other runs that have something in common with this one make of the chance of a trouble. */
export interface SharedRate {
  rate: number;
  message: string;
}
export type SharedRates = Partial<Record<Trouble, SharedRate>>;

/** Everything that is known of a run when somebody asks what is wrong with it. */
export interface DiagnosisInput {
  run: Run;
  camera: Camera;
  readings: RunReadings;
  verdicts: readonly Pick<
    Verdict,
    'id' | 'label' | 'expected' | 'state' | 'message' | 'basis' | 'utilisation'
  >[];
  /** What feeds it, as it is set. */
  source: FeedSource;
  /** What camera and recorder input are noted to speak. */
  notes: Record<'format' | 'line-standard', Agreement>;
  /** What other runs of the site say of this one. */
  shared: SharedRates;
}
