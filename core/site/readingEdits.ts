import type { Change } from './edit';
import type { Reading, TestId } from './reading';
import type { Run, RunState } from './run';

interface Taken { run: Run; test: TestId; value: number; by: string; instrument: string; at: string; mark: string }

/** The change that adds a reading. Its id carries a mark of its own, so that a test can be read again. */
export function takeReading({ run, test, value, by, instrument, at, mark }: Taken): Change {
  const id = `${run.id}-${test}-${mark}`;
  return { kind: 'reading', id, set: { id, runId: run.id, test, value, at, by, instrument } };
}

/** The change that strikes a reading out. It stays readable. */
export function strikeOut(reading: Reading, why: string, by: string, at: string): Change {
  return { kind: 'reading', id: reading.id, set: { ...reading, struck: { why, by, at } } };
}

/** The change that says what state a run is in now. */
export function markState(run: Run, state: RunState): Change {
  return { kind: 'run', id: run.id, set: { ...run, state } };
}
