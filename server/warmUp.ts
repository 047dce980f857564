import { editSchema } from '#core/model/site';
import type { SiteStore } from './store/siteStore';

const rounds = 5;

/**
 * Reads the site that was changed last and goes through an edit of it without keeping it, so that the first person to edit does not wait
 * until all that has been read and compiled.
 */
export async function warmUp(store: SiteStore): Promise<void> {
  const [last] = [...(await store.list())].sort((a, b) => (a.changedAt < b.changedAt ? 1 : -1));
  const stored = last && (await store.read(last.id));
  if (!stored || last.archivedAt !== null) return;
  const { id, version, site } = stored;
  for (let round = 0; round < rounds; round += 1) {
    const read = editSchema.safeParse({
      id: crypto.randomUUID(),
      site: id,
      baseVersion: version,
      label: 'as it is',
      operation: { kind: 'do' },
      by: 'x',
      changes: [{ kind: 'about', id: 'about', set: site.about['about'] }],
    });
    if (read.success) await store.rehearse(read.data);
  }
}
