export { readingWords } from './readingWords';
export { readingsByRun, type RunReadings } from './readings';
export { readingsFromTable } from './readingsFromTable';
export { testDefinition, tests, type HookUp, type TestDefinition } from './tests';
