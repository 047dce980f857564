import { expose } from 'comlink';
import type { LineEvent } from '#core/physics/reflectometer';
import { readTrace, type TraceTask } from '#core/test/findings';

/** Reads traces, in a thread beside others that do the same. */
const traceReader = {
  read: (tasks: TraceTask[]): LineEvent[][] => tasks.map(readTrace),
};
export type TraceReader = typeof traceReader;

expose(traceReader);
