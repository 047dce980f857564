import type { EntityManager } from '@mikro-orm/better-sqlite';
import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { Problem } from '#core/shared/problems';
import { aboutOf, applyChanges, type Change, type Edit, type LogEntry, type Site } from '#core/model/site';
import { appendEntry, entriesAfter, entryOf } from './editLog';
import { writeChanges } from './facts';
import type { PictureFolder } from './pictureFolder';
import { currentSite, findSite, type StoreState } from './storeState';

export type EditOutcome =
  | { kind: 'done'; entry: LogEntry }
  | { kind: 'no-site' }
  /** Sites that were put out of the way take no edits. */
  | { kind: 'archived' }
  /** Its id is that of an edit that was made on another site. */
  | { kind: 'of-another-site' }
  | { kind: 'behind'; version: number; since: LogEntry[] }
  | { kind: 'refused'; problems: Problem[] };

/** Pictures that changes name and nobody has uploaded. */
function missingPictures(changes: readonly Change[], pictures: PictureFolder): Problem[] {
  return changes.flatMap((change, index) => {
    if (
      !('set' in change) ||
      (change.kind !== 'drawing' && change.kind !== 'photo') ||
      pictures.has(change.set.fileId)
    )
      return [];
    return [
      {
        path: `changes[${index}].set.fileId`,
        value: change.set.fileId,
        allowed: 'a picture that was uploaded',
      },
    ];
  });
}

/** The site that an edit is made on; where there is none, how the edit ends. */
async function baseOf(
  state: StoreState,
  tx: EntityManager,
  edit: Edit,
): Promise<{ kind: 'base'; site: Site } | EditOutcome> {
  const known = state.recent.get(edit.site);
  if (known?.version === edit.baseVersion) return { kind: 'base', site: known.site };
  const row = await findSite(tx, edit.site);
  if (!row) return { kind: 'no-site' };
  if (row.archivedAt) return { kind: 'archived' };
  if (edit.baseVersion !== row.version)
    return {
      kind: 'behind',
      version: row.version,
      since: await entriesAfter(tx, edit.site, edit.baseVersion),
    };
  return { kind: 'base', site: await currentSite(state, tx, row) };
}

async function write(tx: EntityManager, entry: LogEntry, after: Site): Promise<void> {
  await writeChanges(tx, entry.site, entry.changes, after);
  await appendEntry(tx, entry);
  await tx.execute('update site set version = ?, changed_at = ?, name = ? where id = ?', [
    entry.version,
    entry.at,
    aboutOf(after).name,
    entry.site,
  ]);
}

/** Applies an edit within a transaction; `after` is the site that came of it. */
async function editWithin(
  state: StoreState,
  tx: EntityManager,
  edit: Edit,
): Promise<{ outcome: EditOutcome; after?: Site }> {
  // An answer can be lost on its way: what has happened is answered so again, whatever has happened since.
  const before = await entryOf(tx, edit.id);
  if (before)
    return {
      outcome: before.site === edit.site ? { kind: 'done', entry: before } : { kind: 'of-another-site' },
    };
  const base = await baseOf(state, tx, edit);
  if (base.kind !== 'base') return { outcome: base };
  const applied = applyChanges(base.site, edit.changes);
  if (applied.kind === 'refused') return { outcome: { kind: 'refused', problems: applied.problems } };
  const missing = missingPictures(edit.changes, state.pictures);
  if (missing.length > 0) return { outcome: { kind: 'refused', problems: missing } };
  const { site: after, inverse } = applied.value;
  const entry: LogEntry = { ...edit, version: edit.baseVersion + 1, at: state.now(), inverse };
  await write(tx, entry, after);
  return { outcome: { kind: 'done', entry }, after };
}

async function tryEdit(state: StoreState, edit: Edit): Promise<EditOutcome> {
  const { outcome, after } = await state.orm.em.fork().transactional((tx) => editWithin(state, tx, edit));
  // Only once the transaction has been committed may later edits build on it.
  if (after && outcome.kind === 'done')
    state.recent.set(edit.site, { version: outcome.entry.version, site: after });
  return outcome;
}

/**
 * Applies an edit, or says why not. Another process on the same file may have moved the site on from what is held
 * here; the key of the log lets only one edit through as each version, and the other looks again.
 */
export async function editSite(state: StoreState, edit: Edit): Promise<EditOutcome> {
  try {
    return await tryEdit(state, edit);
  } catch (error) {
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    state.recent.delete(edit.site);
    return tryEdit(state, edit);
  }
}

/** Ends a rehearsal: nothing of it is kept. */
class Rehearsed extends Error {}

/** Makes an edit and takes it back at once, so that the first one in earnest finds everything ready. */
export async function rehearseEdit(state: StoreState, edit: Edit): Promise<void> {
  const rehearsal = state.orm.em.fork().transactional(async (tx) => {
    await editWithin(state, tx, edit);
    throw new Rehearsed();
  });
  await rehearsal.catch((error: unknown) => {
    if (!(error instanceof Rehearsed)) throw error;
  });
}
