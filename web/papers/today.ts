import { dateOf } from '../workers/nightClock';

/** The date that papers of this moment bear. */
export const today = (): string => dateOf(Date.now());
