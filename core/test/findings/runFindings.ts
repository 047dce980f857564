import { tests, type Camera, type Run, type Site, type TestId } from '#core/model/site';
import type { Status } from '#core/shared/derivation';
import type { RunReadings } from '#core/test/readings';
import { applies } from './applies';
import { feedSource } from './feed';
import { wantsLoadedCheck } from './foreignVolts';
import { judge } from './judges';
import { coaxLoop, lineKind, powerLoop, type Loop } from './loops';
import { touchLimits } from './touchLimits';
import { runEvents, type RunEvent } from './traceEvents';
import type { Verdict } from './verdict';

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

/** All verdicts on a run from its readings, and how it stands in one word. */
export function runFindings(
  site: Pick<Site, 'supply' | 'place' | 'run' | 'camera'>,
  run: Run,
  camera: Camera,
  readings: RunReadings,
): RunFindings {
  const coax = coaxLoop(run, readings['coax-loop-ohms']);
  const power = powerLoop(run, readings['power-loop-ohms']);
  const events = readings.reflectometer ? runEvents(run, readings.reflectometer) : [];
  const limits = touchLimits(site, run, camera);
  const judged = { run, camera, readings, limits, source: feedSource(site, run), power, events };
  const verdicts = tests
    .filter((test) => applies(test, run) && (!test.onlyAfter || wantsLoadedCheck(readings, limits)))
    .map((test) => judge(test, judged));
  const missing = requiredTests(run).filter((test) => !readings[test]);
  const worstJudged = bindingOf(verdicts.filter((verdict) => verdict.state !== 'untested'));
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
