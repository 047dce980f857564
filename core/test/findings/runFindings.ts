import type { Camera, Run, Site, TestId } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { Status } from '#core/shared/derivation';
import { faultsLossDb } from './faultsLoss';
import { feedSource } from './feed';
import { insulationVerdict } from './insulation';
import { coaxLoop, lineKind, powerLoop, type Loop } from './loops';
import { coaxLoopVerdict, powerLoopVerdict } from './loopVerdict';
import { continuityVerdict, linkVerdict, seenVerdict, swapVerdict } from './foundVerdicts';
import { pictureVerdict } from './pictureVerdict';
import type { RunReadings } from '#core/test/readings';
import { reflectometerVerdict } from './reflectometerVerdict';
import { safetyVerdict } from './safety';
import { runEvents, type RunEvent } from './traceEvents';
import type { Verdict } from './verdict';
import { voltsVerdict } from './voltsVerdict';

export interface RunFindings {
  verdicts: Verdict[];
  /** The verdict that decides how the run stands. */
  binding: Verdict;
  state: Status | 'untested' | 'stop';
  /** Tests still to be read before the run counts as tested. */
  missing: TestId[];
  coaxLoop: Loop;
  powerLoop: Loop;
  /** What the reflectometer saw, by the metre. */
  events: RunEvent[];
}

const rank = { stop: 4, fails: 3, close: 2, untested: 1, holds: 0 } as const;

/** Readings without which a run does not count as tested. */
export function requiredTests(run: Run): TestId[] {
  return lineKind(run) === 'pair'
    ? ['foreign-ac-volts', 'night-volts']
    : ['foreign-ac-volts', 'coax-loop-ohms', 'night-volts'];
}

/** The verdict with the least left of its limit; among equals the first in order of testing. */
function bindingOf(verdicts: readonly Verdict[]): Verdict {
  const weight = (verdict: Verdict) => rank[verdict.state] * 100 + Math.min(verdict.utilisation ?? 0, 99);
  return verdicts.reduce((a, b) => (weight(b) > weight(a) ? b : a));
}

/** A figure of the verdict for the bar beside a run's name. */
export function verdictFigure({ read, expected }: Pick<Verdict, 'read' | 'expected'>): string {
  const shown = read ?? expected;
  return shown ? formatQuantity(shown.value, shown.unit) : '';
}

/** All verdicts on a run from its readings, and how it stands in one word. */
export function runFindings(
  site: Pick<Site, 'supply'>,
  run: Run,
  camera: Camera,
  readings: RunReadings,
): RunFindings {
  const source = feedSource(site, run);
  const coax = coaxLoop(run, readings['coax-loop-ohms']);
  const power = powerLoop(run, readings['power-loop-ohms']);
  const verdicts = [
    safetyVerdict('foreign-ac-volts', readings['foreign-ac-volts']),
    safetyVerdict('foreign-dc-volts', readings['foreign-dc-volts']),
    safetyVerdict('shield-earth-volts', readings['shield-earth-volts']),
  ];
  const kind = lineKind(run);
  const events = readings.reflectometer ? runEvents(run, readings.reflectometer) : [];
  verdicts.push(continuityVerdict(readings.continuity));
  if (kind !== 'pair')
    verdicts.push(coaxLoopVerdict(run, readings['coax-loop-ohms'], readings.reflectometer));
  if (run.feed.kind !== 'local-adapter') verdicts.push(powerLoopVerdict(run, readings['power-loop-ohms']));
  verdicts.push(
    insulationVerdict(readings['insulation-megohms']),
    reflectometerVerdict(run, readings.reflectometer),
    voltsVerdict('day', camera, source, power, readings['day-volts']),
    voltsVerdict('night', camera, source, power, readings['night-volts']),
    seenVerdict(pictureVerdict(run, camera.format, faultsLossDb(run, events)), readings.picture),
    swapVerdict('camera-at-head-end', readings['camera-at-head-end']),
    swapVerdict('camera-on-local-supply', readings['camera-on-local-supply']),
  );
  if (kind === 'coax') verdicts.push(linkVerdict(run, readings.link));
  const missing = requiredTests(run).filter((test) => !readings[test]);
  const judged = verdicts.filter((verdict) => verdict.state !== 'untested');
  const worstJudged = bindingOf(judged);
  if (worstJudged.state === 'fails' || worstJudged.state === 'stop' || missing.length === 0) {
    return {
      verdicts,
      binding: worstJudged,
      state: worstJudged.state,
      missing,
      coaxLoop: coax,
      powerLoop: power,
      events,
    };
  }
  // Until it is tested a run shows where it should come closest to a limit, as expected only.
  const expected = verdicts.reduce((a, b) => ((b.utilisation ?? 0) > (a.utilisation ?? 0) ? b : a));
  return {
    verdicts,
    binding: expected,
    state: 'untested',
    missing,
    coaxLoop: coax,
    powerLoop: power,
    events,
  };
}
