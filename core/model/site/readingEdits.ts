import type { Change } from './change';
import type { Found, Reading } from './reading';
import type { Run, RunState } from './run';

/** Who read with what, and when. `mark` makes the reading's id its own, so that a test can be read again. */
export interface Taken {
  by: string;
  instrument: string;
  serial?: string;
  conditions?: string;
  temperatureC?: number;
  /** Of foreign volts: the meter showed a known source right before and right after. */
  meterProved?: boolean;
  at: string;
  mark: string;
}

/** The change that adds a reading. */
export function takeReading(run: Pick<Run, 'id'>, found: Found, { mark, ...taken }: Taken): Change {
  const id = `${run.id}-${found.test}-${mark}`;
  const set: Reading = { id, runId: run.id, ...found, ...taken };
  return { kind: 'reading', id, set };
}

/** The change that strikes a reading out. It stays readable. */
export function strikeOut(reading: Reading, why: string, by: string, at: string): Change {
  return { kind: 'reading', id: reading.id, set: { ...reading, struck: { why, by, at } } };
}

/** The change that says what state a run is in from now on. */
export function markState(run: Run, state: RunState, at: string): Change {
  return { kind: 'run', id: run.id, set: { ...run, state, stateSince: at } };
}
