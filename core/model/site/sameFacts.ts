import { changesBetween } from './changesBetween';
import type { Site } from './site';

/** A fact with its fields in one order, since a server's answer has them in that of the schema. */
const inOrder = (fact: unknown): string =>
  JSON.stringify(fact, (_, value: unknown) =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

/** Whether two states of a site say the same, although an answered edit has made its facts other objects. */
export const sameFacts = (a: Site, b: Site): boolean =>
  changesBetween(a, b).every(
    (change) =>
      'set' in change &&
      a[change.kind][change.id] !== undefined &&
      inOrder(change.set) === inOrder(a[change.kind][change.id]),
  );
