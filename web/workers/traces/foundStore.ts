import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { LineEvent } from '#core/physics/reflectometer';
import type { TraceTask } from '#core/test/findings';
import { readerCode } from './readTraces';

interface FoundSchema extends DBSchema {
  /** What was found on a trace, by the hash of the trace and of what it was read with. */
  found: { key: string; value: LineEvent[] };
  /** The code that found it, under the one key `code`. */
  reader: { key: string; value: string };
}

const openStores = (): Promise<IDBPDatabase<FoundSchema>> =>
  openDB<FoundSchema>('neotrope-traces', 1, {
    upgrade: (db) => {
      db.createObjectStore('found');
      db.createObjectStore('reader');
    },
  });

/** What an earlier code found is forgotten: this one may find something else. */
async function forgetOthers(db: IDBPDatabase<FoundSchema>): Promise<void> {
  const transaction = db.transaction(['found', 'reader'], 'readwrite');
  const reader = transaction.objectStore('reader');
  if ((await reader.get('code')) !== readerCode) {
    await transaction.objectStore('found').clear();
    await reader.put(readerCode, 'code');
  }
  await transaction.done;
}

async function openFresh(): Promise<IDBPDatabase<FoundSchema>> {
  const db = await openStores();
  await forgetOthers(db);
  return db;
}

let opened: Promise<IDBPDatabase<FoundSchema>> | undefined;
const database = (): Promise<IDBPDatabase<FoundSchema>> => (opened ??= openFresh());

/** The name of a task by its content: SHA-256 of the trace and of what it is read with. */
export async function hashOf({ trace, velocityFactor, impedanceOhms }: TraceTask): Promise<string> {
  const { stepNs, voltsPerCount, counts } = trace;
  const figures = Float64Array.of(stepNs, voltsPerCount, velocityFactor, impedanceOhms, ...counts);
  const digest = await crypto.subtle.digest('SHA-256', figures);
  return Array.from(new Uint8Array(digest), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** What was found earlier, by hash. A browser that keeps nothing knows nothing. */
export async function findKept(hashes: readonly string[]): Promise<(LineEvent[] | undefined)[]> {
  try {
    const store = (await database()).transaction('found').store;
    return await Promise.all(hashes.map((hash) => store.get(hash)));
  } catch {
    return hashes.map(() => undefined);
  }
}

/** Keeps what was found. That it could not be kept costs time on another day and nothing else. */
export async function keepAll(found: ReadonlyMap<string, LineEvent[]>): Promise<void> {
  try {
    const transaction = (await database()).transaction('found', 'readwrite');
    for (const [hash, events] of found) void transaction.store.put(events, hash);
    await transaction.done;
  } catch {
    return;
  }
}
