export { findEvents, type LineEvent } from './findEvents';
export { forwardTrace, lineReflection } from './forward';
export { launchOf } from './launch';
export { lightMPerNs, type End, type Fault, type Line, type Pulse, type Stretch, type Trace } from './line';
export { traceFromCsv } from './traceFromCsv';
