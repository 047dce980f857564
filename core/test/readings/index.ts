export { readingWords } from './readingWords';
export { readingsByRun, type RunReadings } from './readings';
export { readingsFromTable, type TableReading } from './readingsFromTable';
