/**
 * Fields of a run's sheet that a gap leads to. A sheet marks each of its rows with one of these, so that it can be found
 * by its name. A segment's fields carry its place in the run too.
 */
export type RunField =
  | 'unreached'
  | 'cable'
  | 'length'
  | 'print'
  | 'leg'
  | 'joint'
  | 'marks'
  | 'dispute'
  | 'feed'
  | 'patched'
  | 'place'
  | 'body'
  | 'format'
  | 'lineStandard'
  | 'lamps'
  | 'heater'
  | 'microphone'
  | 'supply'
  | 'watts'
  | 'lens'
  | 'targetM'
  | 'purpose'
  | 'worthKeeping'
  | 'newRoute';

/** The name of a field in a run's sheet: `watts`, or `length/0` for the first segment's. */
export const fieldKey = (field: RunField, segment?: number): string =>
  segment === undefined ? field : `${field}/${segment}`;

/** Where the field is that closes a gap. */
export type GapTarget =
  | { kind: 'run'; runId: string; field: RunField; segment?: number }
  | { kind: 'camera-without-run'; cameraId: string }
  | { kind: 'head-end'; placeId: string };

/** Something that is not noted yet, and what it holds up: testing the run, or deciding on its camera. */
export interface Gap {
  id: string;
  before: 'test' | 'decide';
  placeId: string;
  cameraId: string | null;
  target: GapTarget;
  message: string;
}
