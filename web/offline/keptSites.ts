import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { ServedSite } from '#contract';
import { applyChanges, siteFromTrusted, toSiteFile, type LogEntry } from '#core/model/site';

/** A site as it was when it was opened last, and every edit that the server has confirmed since. */
interface KeptDb extends DBSchema {
  sites: { key: string; value: { id: string; name: string; keptAt: string; served: ServedSite } };
  entries: {
    key: [string, number];
    value: { siteId: string; version: number; entry: LogEntry };
    indexes: { bySite: string };
  };
}

let opening: Promise<IDBPDatabase<KeptDb>> | null = null;
const database = (): Promise<IDBPDatabase<KeptDb>> =>
  (opening ??= openDB<KeptDb>('neotrope-sites', 1, {
    upgrade(db) {
      db.createObjectStore('sites', { keyPath: 'id' });
      db.createObjectStore('entries', { keyPath: ['siteId', 'version'] }).createIndex('bySite', 'siteId');
    },
  }));

/** Writes come one after the other: an edit must not be kept before the site that it is of. */
let writing: Promise<void> = Promise.resolve();
function write(task: (db: IDBPDatabase<KeptDb>) => Promise<void>): Promise<void> {
  // A browser that keeps no database works as it did, with a network.
  writing = writing.then(async () => task(await database())).catch(() => undefined);
  return writing;
}

/** Keeps a site as the server has just answered it, in place of what was kept of it. */
export const keepSite = (served: ServedSite): Promise<void> =>
  write(async (db) => {
    const tx = db.transaction(['sites', 'entries'], 'readwrite');
    const old = IDBKeyRange.bound([served.id, -Infinity], [served.id, Infinity]);
    void tx.objectStore('entries').delete(old);
    void tx.objectStore('sites').put({
      id: served.id,
      name: served.file.about.name,
      keptAt: new Date().toISOString(),
      served,
    });
    await tx.done;
  });

/** Keeps edits that the server has confirmed since. */
export const keepEntries = (siteId: string, entries: readonly LogEntry[]): Promise<void> =>
  write(async (db) => {
    const tx = db.transaction(['sites', 'entries'], 'readwrite');
    if (await tx.objectStore('sites').getKey(siteId))
      for (const entry of entries)
        void tx.objectStore('entries').put({ siteId, version: entry.version, entry });
    await tx.done;
  });

/** A site with the edits that came after it. Those that do not go on from it are left for the server to tell again. */
export function broughtUp(served: ServedSite, entries: readonly LogEntry[]): ServedSite {
  let [version, site] = [served.version, siteFromTrusted(served.file)];
  const log = [...served.log];
  for (const entry of [...entries].sort((a, b) => a.version - b.version)) {
    if (entry.version <= version) continue;
    const applied = entry.version === version + 1 ? applyChanges(site, entry.changes) : null;
    if (applied?.kind !== 'sound') break;
    [version, site] = [entry.version, applied.value.site];
    log.push(entry);
  }
  return { ...served, version, log, file: toSiteFile(site) };
}

/** A site as it is known on this device; `null` where it was never opened here. */
export async function keptSite(id: string): Promise<{ served: ServedSite; keptAt: string } | null> {
  try {
    const db = await database();
    const kept = await db.get('sites', id);
    if (!kept) return null;
    const entries = await db.getAllFromIndex('entries', 'bySite', id);
    const served = broughtUp(
      kept.served,
      entries.map(({ entry }) => entry),
    );
    return { served, keptAt: entries.at(-1)?.entry.at ?? kept.keptAt };
  } catch {
    return null;
  }
}

/** The sites that can be opened on this device without a network. */
export async function keptSites(): Promise<{ id: string; name: string; keptAt: string }[]> {
  try {
    const all = await (await database()).getAll('sites');
    return all
      .map(({ id, name, keptAt }) => ({ id, name, keptAt }))
      .sort((a, b) => a.name.localeCompare(b.name));
  } catch {
    return [];
  }
}

const pictureCache = 'neotrope-pictures';

/** Takes every site and picture off this device. */
export async function forgetSites(): Promise<void> {
  await write(async (db) => {
    await db.clear('entries');
    await db.clear('sites');
  });
  if ('caches' in window) await window.caches.delete(pictureCache);
}
