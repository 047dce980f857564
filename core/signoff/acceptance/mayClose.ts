import { acceptanceCheckOf, type PunchItem } from '#core/model/site';
import type { ThingState } from './thingState';

/**
 * Why an item of the punch list cannot be closed yet; `null` where it can. What a check found is closed once that check was made again
 * after it, and holds.
 */
export function mayClose(item: PunchItem, thing: ThingState | null): string | null {
  const found = thing?.checks.find(({ check }) => check === item.check);
  if (!item.check || !found) return null;
  const { label } = acceptanceCheckOf(item.check);
  if (!found.reading || Date.parse(found.reading.at) <= Date.parse(item.at))
    return `“${label}” has to be read again first.`;
  return found.holds ? null : `“${label}” was read again and does not hold: ${found.message}`;
}
