export { findEvents, type Known, type LineEvent } from './findEvents';
export { forwardTrace, lineReflection } from './forward';
export type { End, Fault, Line, Pulse, Stretch, Trace } from './line';
export { traceFromCsv } from './traceFromCsv';
