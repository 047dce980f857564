import { applyChanges, editSchema, type Change, type Site } from '#core/model/site';
import type { SiteStore } from './store/siteStore';

const rounds = 30;

/** An edit that sets a fact to what it is. */
const asItIs = (id: string, site: Site): unknown => {
  const [about] = Object.values(site.about);
  return {
    id: crypto.randomUUID(),
    site: id,
    baseVersion: 0,
    label: 'as it is',
    operation: { kind: 'do' },
    by: 'x',
    changes: [{ kind: 'about', id: 'about', set: about }] as Change[],
  };
};

/**
 * Reads the site that was changed last and goes through an edit of it without making it, so that the first person to edit does not wait
 * until all that has been read and compiled.
 */
export async function warmUp(store: SiteStore): Promise<void> {
  const [last] = [...(await store.list())].sort((a, b) => (a.changedAt < b.changedAt ? 1 : -1));
  const stored = last && (await store.read(last.id));
  if (!stored) return;
  for (let round = 0; round < rounds; round += 1) {
    const read = editSchema.safeParse(asItIs(stored.id, stored.site));
    if (read.success) applyChanges(stored.site, read.data.changes);
  }
}
