export { feedSource, voltsAtLoad, voltsShare, type FeedSource } from './feed';
export { coaxLoop, lengthFigure, lineKind, powerLoop, runLengthM, type LineKind, type Loop } from './loops';
export { pictureOver, type PictureResult } from './pictureVerdict';
export { readingsByRun, type RunReadings } from './readings';
export { runFindings, verdictFigure, type RunFindings } from './runFindings';
export { heldBack, testDefinition, tests, type TestDefinition } from './tests';
export type { Verdict } from './verdict';
