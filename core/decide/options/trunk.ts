import type { Camera, Run } from '#core/model/site';
import type { RunFindings } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { LineBinding } from './lineBinding';
import type { Margin } from './option';

/** An old coax at a place, with what is known of it. */
export interface OldCoax {
  run: Run;
  camera: Camera;
  readings: RunReadings;
  findings: RunFindings;
}

/** The coax of a place that a switch there could go back over, with what it carries and how it binds that. */
export interface Trunk extends OldCoax {
  /** For each Mb/s that goes over it. */
  perMbps: Margin;
  line: LineBinding;
}
