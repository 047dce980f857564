import { request } from 'node:http';
import { editSchema } from '#core/model/site';
import type { SiteStore } from './store/siteStore';

const rounds = 5;

/** Asks the server itself, by the way that a window asks. */
const ask = (address: string, body: string): Promise<void> =>
  new Promise((resolve) => {
    const asked = request(
      address,
      { method: 'POST', headers: { 'content-type': 'application/json' } },
      (answer) => void answer.resume().once('end', resolve).once('error', resolve),
    );
    asked.once('error', () => resolve());
    asked.end(body);
  });

/**
 * Reads the site that was changed last and goes through an edit of it without keeping it, so that the first person to edit does not wait
 * until all that has been read and compiled.
 */
export async function warmUp(store: SiteStore, address: string | null): Promise<void> {
  const [last] = [...(await store.list())].sort((a, b) => (a.changedAt < b.changedAt ? 1 : -1));
  const stored = last && (await store.read(last.id));
  if (!stored || last.archivedAt !== null) return;
  const { id, version, site } = stored;
  const edit = (baseVersion: number): unknown => ({
    id: crypto.randomUUID(),
    site: id,
    baseVersion,
    label: 'as it is',
    operation: { kind: 'do' },
    by: 'x',
    changes: [{ kind: 'about', id: 'about', set: site.about['about'] }],
  });
  for (let round = 0; round < rounds; round += 1) {
    const read = editSchema.safeParse(edit(version));
    if (read.success) await store.rehearse(read.data);
    // Where everybody signs in there is nobody to ask as.
    if (address === null) continue;
    // On a version that there is not yet it is read, looked at and turned away.
    await ask(`${address}/api/sites/${id}/edits`, JSON.stringify(edit(version + 1)));
  }
}
