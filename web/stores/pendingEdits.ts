import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { ref } from 'vue';
import { z } from 'zod';
import { logEntrySchema, upgradeEntry, type LogEntry } from '#core/model/site';

/** An edit that is on its way, with the window that sends it. */
interface Waiting {
  id: string;
  siteId: string;
  /** Which window of the browser has it in its queue. */
  windowId: string;
  order: number;
  entry: unknown;
}
interface PendingDb extends DBSchema {
  edits: { key: string; value: Waiting; indexes: { bySite: string } };
}

/** This window, for as long as its page lives. Another page finds what it left behind once the lock of this name is free. */
const windowId = crypto.randomUUID();
const lockOf = (id: string): string => `neotrope-window-${id}`;
// Not there where the page came over plain HTTP from another machine: then everything counts as left behind.
if (navigator.locks)
  void navigator.locks.request(lockOf(windowId), () => new Promise<never>(() => undefined));

async function livingWindows(): Promise<ReadonlySet<string>> {
  if (!navigator.locks) return new Set();
  const { held = [] } = await navigator.locks.query();
  return new Set(held.flatMap(({ name }) => (name ? [name] : [])));
}

let opening: Promise<IDBPDatabase<PendingDb>> | null = null;
const database = (): Promise<IDBPDatabase<PendingDb>> =>
  (opening ??= openDB<PendingDb>('neotrope-pending', 1, {
    upgrade(db) {
      db.createObjectStore('edits', { keyPath: 'id' }).createIndex('bySite', 'siteId');
    },
  }));

const keptSchema = z.array(z.unknown().transform(upgradeEntry).pipe(logEntrySchema));
const sessionKey = (siteId: string): string => `neotrope-pending-${siteId}`;

/** What the window's own storage holds: it takes an edit at once, and is there again after a reload. */
function fromSession(siteId: string): unknown[] {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(sessionKey(siteId)) ?? '[]');
    return Array.isArray(kept) ? kept : [];
  } catch {
    return [];
  }
}

const byOf = (entry: unknown): string =>
  typeof entry === 'object' && entry !== null && 'by' in entry ? String(entry.by) : '';

/** What windows that are gone have left in the browser's database, in its order. It is this window's from now on. */
async function fromDatabase(siteId: string, isMine: (by: string) => boolean): Promise<unknown[]> {
  try {
    const living = await livingWindows();
    const tx = (await database()).transaction('edits', 'readwrite');
    const rows = (await tx.store.index('bySite').getAll(siteId)).filter(
      (row) => isMine(byOf(row.entry)) && (row.windowId === windowId || !living.has(lockOf(row.windowId))),
    );
    for (const row of rows) void tx.store.put({ ...row, windowId });
    await tx.done;
    return rows.sort((a, b) => a.order - b.order).map(({ entry }) => entry);
  } catch {
    return [];
  }
}

/**
 * Edits that never reached the server: of this window before a reload, and of windows that were closed, by an earlier version of the page
 * perhaps. Each once; one that reached the server all the same is known there by its id. What somebody else left stays for him.
 */
export async function leftBehind(siteId: string, isMine: (by: string) => boolean): Promise<LogEntry[]> {
  const ofWindow = fromSession(siteId).filter((entry) => isMine(byOf(entry)));
  const all = [...(await fromDatabase(siteId, isMine)), ...ofWindow].flatMap((kept) => {
    const read = keptSchema.safeParse([kept]);
    return read.success ? read.data : [];
  });
  const once = new Map(all.map((entry) => [entry.id, entry]));
  return [...once.values()].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.version - b.version);
}

/** Writes come one after the other, and only the latest of those that wait is worth writing. */
let writing: Promise<void> = Promise.resolve();
const latest = new Map<string, readonly LogEntry[]>();

/** What the browser's database holds of a site for this window: each entry as it was written, so that only what is new is written again. */
const written = new Map<string, Map<string, { entry: LogEntry; order: number }>>();
let nextOrder = 0;

async function write(siteId: string): Promise<void> {
  const pending = latest.get(siteId);
  if (!pending) return;
  latest.delete(siteId);
  const before = written.get(siteId);
  const tx = (await database()).transaction('edits', 'readwrite');
  const wanted = new Set(pending.map(({ id }) => id));
  // What another page left behind is this window's too, once it was taken over.
  const old = before
    ? [...before.keys()]
    : (await tx.store.index('bySite').getAll(siteId)).flatMap((row) =>
        row.windowId === windowId ? [row.id] : [],
      );
  for (const id of old) if (!wanted.has(id)) void tx.store.delete(id);
  const now = pending.map((entry) => ({ entry, order: before?.get(entry.id)?.order ?? (nextOrder += 1) }));
  for (const { entry, order } of now)
    if (before?.get(entry.id)?.entry !== entry)
      void tx.store.put({ id: entry.id, siteId, windowId, order, entry });
  await tx.done;
  written.set(siteId, new Map(now.map((one) => [one.entry.id, one])));
}

const laterMs = 300;
let laterWrite: number | undefined;
/** What has been sent may stand there a moment longer: the server knows it by its id. */
function writeWindow(siteId: string, pending: readonly LogEntry[], isShorter: boolean): boolean {
  window.clearTimeout(laterWrite);
  if (isShorter && pending.length > 0) {
    laterWrite = window.setTimeout(() => writeWindow(siteId, pending, false), laterMs);
    return true;
  }
  try {
    sessionStorage.setItem(sessionKey(siteId), JSON.stringify(pending));
    return true;
  } catch {
    sessionStorage.removeItem(sessionKey(siteId));
    return false;
  }
}

let lastKept = { siteId: '', count: 0 };
/** Whether what is on its way would outlive this window; not where the device has no room left, or keeps nothing. */
export const isPendingKept = ref(true);

/**
 * Keeps what is on its way: in the window's own storage at once, which an import of thousands of rows is too much for, and in the browser's
 * database, which outlives the window.
 */
export function keepPending(siteId: string, pending: readonly LogEntry[]): void {
  const isShorter = siteId === lastKept.siteId && pending.length < lastKept.count;
  lastKept = { siteId, count: pending.length };
  const isInWindow = writeWindow(siteId, pending, isShorter);
  latest.set(siteId, pending);
  writing = writing
    .then(() => write(siteId))
    .then(
      () => {
        isPendingKept.value = true;
      },
      () => {
        // A browser that keeps no database still has the window's own storage.
        isPendingKept.value = isInWindow || pending.length === 0;
      },
    );
}
