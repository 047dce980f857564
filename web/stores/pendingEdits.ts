import { z } from 'zod';
import { logEntrySchema, upgradeEntry, type LogEntry } from '#core/model/site';

const pendingKey = (siteId: string): string => `neotrope-pending-${siteId}`;
const keptSchema = z.array(z.unknown().transform(upgradeEntry).pipe(logEntrySchema));

/** Edits that were on their way when the page was left, by an earlier version of it perhaps. A page reloaded in the middle sends them again. */
export function leftBehind(siteId: string): LogEntry[] {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(pendingKey(siteId)) ?? '[]');
    const read = keptSchema.safeParse(kept);
    return read.success ? read.data : [];
  } catch {
    return [];
  }
}

/** An import of thousands of rows is more than the window's storage takes; it is sent all the same. */
export function keepPending(siteId: string, pending: readonly LogEntry[]): void {
  try {
    sessionStorage.setItem(pendingKey(siteId), JSON.stringify(pending));
  } catch {
    sessionStorage.removeItem(pendingKey(siteId));
  }
}
