import type { Orm } from '../store/orm';

/** What everything about accounts rests on. */
export interface Accounts {
  orm: Orm;
  now: () => string;
}

/** A moment so many milliseconds after another. */
export const later = (at: string, ms: number): string => new Date(Date.parse(at) + ms).toISOString();
