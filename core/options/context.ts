import type { FeedSource, RunFindings } from '#core/findings';
import type { Camera, Place, Recorder, Run, Site } from '#core/site';
import type { TargetCamera } from './targetCameras';

/** Everything the options of one camera are worked out from. */
export interface Context {
  site: Site;
  camera: Camera;
  run: Run;
  place: Place;
  headEnd: Place;
  source: FeedSource;
  findings: RunFindings;
  target: TargetCamera;
  /** Recorders at the run's head end. */
  recorders: Recorder[];
}
