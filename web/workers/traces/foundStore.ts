import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { LineEvent } from '#core/physics/reflectometer';
import type { TraceTask } from '#core/test/findings';

/** Raised whenever traces are read otherwise than before: what was found until then is forgotten. */
const readingVersion = 1;

interface FoundSchema extends DBSchema {
  /** What was found on a trace, by the hash of the trace and of what it was read with. */
  found: { key: string; value: LineEvent[] };
}

let opened: Promise<IDBPDatabase<FoundSchema>> | undefined;
const database = (): Promise<IDBPDatabase<FoundSchema>> =>
  (opened ??= openDB<FoundSchema>('neotrope-traces', readingVersion, {
    upgrade: (db) => {
      if (db.objectStoreNames.contains('found')) db.deleteObjectStore('found');
      db.createObjectStore('found');
    },
  }));

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
