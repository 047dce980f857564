import type { Camera, LimitedTestId, Run, TestDefinition, TestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import type { FeedSource } from './feed';
import { continuityVerdict, linkVerdict, seenVerdict, swapVerdict, wireMapVerdict } from './foundVerdicts';
import { insulationVerdict } from './insulation';
import { limitVerdict } from './limitVerdict';
import type { Loop } from './loops';
import { coaxLoopVerdict, powerLoopVerdict } from './loopVerdict';
import { pictureVerdict } from './pictureVerdict';
import { reflectometerVerdict } from './reflectometerVerdict';
import { safetyVerdict } from './safety';
import type { TouchLimits } from './touchLimits';
import type { RunEvent } from './traceEvents';
import type { Verdict } from './verdict';
import { voltsVerdict } from './voltsVerdict';

/** A run with what was read of it and what follows for all of its tests. */
export interface Judged {
  run: Run;
  camera: Camera;
  readings: RunReadings;
  limits: TouchLimits;
  source: FeedSource;
  power: Loop;
  events: readonly RunEvent[];
}

/**
 * How each test is judged whose limit is not the same for every run. A test with neither a limit in its row nor a judge here
 * does not compile.
 */
const judges: Record<Exclude<TestId, LimitedTestId>, (judged: Judged) => Verdict> = {
  'foreign-ac-volts': ({ readings, limits }) => safetyVerdict('foreign-ac-volts', readings, limits),
  'foreign-ac-loaded-volts': ({ readings, limits }) =>
    safetyVerdict('foreign-ac-loaded-volts', readings, limits),
  'foreign-dc-volts': ({ readings, limits }) => safetyVerdict('foreign-dc-volts', readings, limits),
  continuity: ({ readings }) => continuityVerdict(readings.continuity),
  'wire-map': ({ readings }) => wireMapVerdict(readings['wire-map']),
  'coax-loop-ohms': ({ run, readings }) =>
    coaxLoopVerdict(run, readings['coax-loop-ohms'], readings.reflectometer),
  'power-loop-ohms': ({ run, readings }) => powerLoopVerdict(run, readings['power-loop-ohms']),
  'insulation-megohms': ({ run, readings }) => insulationVerdict(run, readings['insulation-megohms']),
  reflectometer: ({ run, readings }) => reflectometerVerdict(run, readings.reflectometer),
  'day-volts': ({ camera, source, power, readings }) =>
    voltsVerdict('day', camera, source, power, readings['day-volts']),
  'night-volts': ({ camera, source, power, readings }) =>
    voltsVerdict('night', camera, source, power, readings['night-volts']),
  picture: ({ run, camera, readings, events }) =>
    seenVerdict(pictureVerdict(run, camera.format, events), readings.picture),
  'camera-at-head-end': ({ readings }) => swapVerdict('camera-at-head-end', readings['camera-at-head-end']),
  'camera-on-local-supply': ({ readings }) =>
    swapVerdict('camera-on-local-supply', readings['camera-on-local-supply']),
  link: ({ run, readings }) => linkVerdict(run, readings.link),
};

const hasJudge = (id: TestId): id is keyof typeof judges => id in judges;

/** What a test says on a run, read or not. */
export function judge({ id }: TestDefinition, judged: Judged): Verdict {
  return hasJudge(id) ? judges[id](judged) : limitVerdict(id, judged.readings[id]);
}
