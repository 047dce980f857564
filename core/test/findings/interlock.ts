import type { QuantityReading, Run, RunState, TestDefinition } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import { isStopped } from './foreignVolts';
import type { TouchLimits } from './touchLimits';

/** The state a run is to be brought into for a test that its present one does not allow. */
export function stateFor(test: Pick<TestDefinition, 'allowedIn'>, now: RunState): RunState {
  return test.allowedIn.includes(now) ? now : test.allowedIn[0]!;
}

/** The state that a test waits for, as a cell of a table says it, and what brings the run into it. */
const waitsFor: Record<RunState, string> = {
  live: 'needs run live',
  isolated: 'needs run isolated',
  disconnected: 'needs both ends disconnected',
};
const bringTo: Record<RunState, string> = {
  live: 're-energise the run',
  isolated: 'isolate the run',
  disconnected: 'disconnect both ends',
};

/** Tests that look for the volts which hold the others back. */
export const looksForVolts = (id: TestDefinition['id']): boolean =>
  id === 'foreign-ac-volts' || id === 'foreign-ac-loaded-volts' || id === 'foreign-dc-volts';

/** Whether foreign volts were looked for since the run was brought into the state it is in. */
function checkedSince({ stateSince }: Run, reading: QuantityReading | undefined): boolean {
  return (
    reading !== undefined && (stateSince === undefined || Date.parse(reading.at) >= Date.parse(stateSince))
  );
}

/** A meter that is not proved on a known source before and after may read nothing on a live cable. */
const provenSince = (run: Run, reading: QuantityReading | undefined): boolean =>
  checkedSince(run, reading) && reading?.meterProved === true;

/**
 * Why a test may not be done on the run as it is now; `undefined` where it may. Dangerous volts hold back everything but
 * looking for them again; a test that needs the run dead waits until it is marked so and was proven so.
 */
export function interlock(
  test: TestDefinition,
  run: Run,
  readings: RunReadings,
  limits: TouchLimits,
): string | undefined {
  const fits = test.allowedIn.includes(run.state);
  // Nobody isolates anything on a cable that is not to be touched, not even for looking at it again another way.
  if (isStopped(readings, limits) && !(looksForVolts(test.id) && fits)) return 'stopped: dangerous volts';
  if (!fits) return waitsFor[stateFor(test, run.state)];
  if (!needsVoltsFirst(test, run, readings)) return undefined;
  return checkedSince(run, readings['foreign-ac-volts'])
    ? 'prove the meter, read the foreign voltage again'
    : 'read the foreign voltage first';
}

/**
 * Whether foreign volts have to be looked for before this test: it needs the run dead, and nobody has proven it so since
 * the run was brought into the state it is in. The one rule, for what is held back and for what a test costs in time.
 */
export function needsVoltsFirst(test: TestDefinition, run: Run, readings: RunReadings): boolean {
  const needsDead = !test.allowedIn.includes('live');
  if (!needsDead || looksForVolts(test.id)) return false;
  const isProven = test.allowedIn.includes(run.state) && provenSince(run, readings['foreign-ac-volts']);
  return !isProven;
}

/** What has to come before anything else on a cable with dangerous volts. */
export const untilSafe =
  'Nobody goes on before a licensed electrician has made it safe and the foreign voltage was read again.';

/** What has to come before a test on the run as it is now, as a sentence for whoever stands there; `undefined` where nothing has. */
export function prerequisites(
  test: TestDefinition,
  run: Run,
  readings: RunReadings,
  limits: TouchLimits,
): string | undefined {
  const held = interlock(test, run, readings, limits);
  if (held === undefined) return undefined;
  if (isStopped(readings, limits)) return untilSafe;
  return test.allowedIn.includes(run.state)
    ? 'First prove the meter on a known source, read the foreign voltage to prove the run dead, and prove the meter again.'
    : `First ${bringTo[stateFor(test, run.state)]}, prove it, and set the run’s state above.`;
}
