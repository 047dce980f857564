export { readingWords } from './readingWords';
export { mendedRun, type Mended } from './mended';
export { changedAt, isOutdated, readingsByRun, type RunReadings } from './readings';
export { readingsFromTable, type TableReading } from './readingsFromTable';
