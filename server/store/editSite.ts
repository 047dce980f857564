import type { EntityManager } from './orm';
import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { QueryResult } from '@mikro-orm/core';
import type { Problem } from '#core/shared/problems';
import { aboutOf, applyChanges, type Change, type Edit, type LogEntry, type Site } from '#core/model/site';
import { appendEntry, entriesAfter, entryOf } from './editLog';
import { writeChanges } from './facts';
import type { Pictures } from './pictures';
import type { SiteState } from './recentSites';
import { currentSite, findSite, type StoreState } from './storeState';
import { isOutrun } from './whenFree';

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
async function missingPictures(changes: readonly Change[], pictures: Pictures): Promise<Problem[]> {
  const missing: Problem[] = [];
  for (const [index, change] of changes.entries()) {
    if (!('set' in change) || (change.kind !== 'drawing' && change.kind !== 'photo')) continue;
    const { fileId } = change.set;
    if (await pictures.has(fileId)) continue;
    const [path, allowed] = [`changes[${index}].set.fileId`, 'a picture that was uploaded'];
    missing.push({ path, value: fileId, allowed });
  }
  return missing;
}

/** The site that an edit is made on, as it is held here where it is; where there is none, how the edit ends. */
async function baseOf(
  state: StoreState,
  tx: EntityManager,
  edit: Edit,
  held: SiteState | undefined,
): Promise<{ kind: 'base'; site: Site } | EditOutcome> {
  if (held?.version === edit.baseVersion) return { kind: 'base', site: held.site };
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

/** A site is not as it was held here: another process moved it on, put it away or deleted it. */
class Moved extends Error {}

/** Writes an edit. The row of the site comes first: of two who made an edit on one version it lets one through, and the other waits for it. */
async function write(tx: EntityManager, entry: LogEntry, after: Site): Promise<void> {
  const { affectedRows } = await tx.execute<QueryResult>(
    `update site set version = ?, changed_at = ?, name = ?
      where id = ? and version = ? and archived_at is null and binned_at is null`,
    [entry.version, entry.at, aboutOf(after).name, entry.site, entry.version - 1],
    'run',
  );
  if (affectedRows !== 1) throw new Moved();
  await writeChanges(tx, entry.site, entry.changes, after);
  await appendEntry(tx, entry);
}

/** Applies an edit within a transaction; `after` is the site that came of it. */
async function editWithin(
  state: StoreState,
  tx: EntityManager,
  edit: Edit,
  held: SiteState | undefined,
): Promise<{ outcome: EditOutcome; after?: SiteState }> {
  // An answer can be lost on its way: what has happened is answered so again, whatever has happened since.
  const before = await entryOf(tx, edit.id);
  if (before)
    return {
      outcome: before.site === edit.site ? { kind: 'done', entry: before } : { kind: 'of-another-site' },
    };
  const base = await baseOf(state, tx, edit, held);
  if (base.kind !== 'base') return { outcome: base };
  const applied = applyChanges(base.site, edit.changes);
  if (applied.kind === 'refused') return { outcome: { kind: 'refused', problems: applied.problems } };
  const missing = await missingPictures(edit.changes, state.pictures);
  if (missing.length > 0) return { outcome: { kind: 'refused', problems: missing } };
  const { site: after, inverse } = applied.value;
  const entry: LogEntry = { ...edit, version: edit.baseVersion + 1, at: state.now(), inverse };
  await write(tx, entry, after);
  return { outcome: { kind: 'done', entry }, after: { version: entry.version, site: after } };
}

/** Edits in one transaction, each on the one before; the first that does not go through is the last that is tried. */
async function tryEdits(state: StoreState, edits: readonly Edit[], trusts: boolean): Promise<EditOutcome[]> {
  let after: SiteState | undefined;
  const outcomes = await state.orm.em.fork().transactional(async (tx) => {
    const gone: EditOutcome[] = [];
    let held = trusts ? state.recent.get(edits[0]!.site) : undefined;
    for (const edit of edits) {
      const one = await editWithin(state, tx, edit, held);
      gone.push(one.outcome);
      if (one.outcome.kind !== 'done') break;
      held = after = one.after ?? after;
    }
    return gone;
  });
  // Only once the transaction has been committed may later edits build on it.
  if (after) state.recent.set(edits[0]!.site, after);
  return outcomes;
}

/** An edit is gone through again at most so often; each time another one has gone through. */
const mostTries = 20;

const isOvertaken = (error: unknown): boolean =>
  error instanceof Moved || error instanceof UniqueConstraintViolationException || isOutrun(error);

/**
 * Applies edits of one site, each on the one before, or says why not; what stands behind one that does not go through is not looked at.
 * Another process may have moved the site on from what is held here; the row of the site lets only one edit through as each version, and
 * the other looks again.
 */
export async function editInTurn(state: StoreState, edits: readonly Edit[]): Promise<EditOutcome[]> {
  for (let tries = 1; ; tries += 1) {
    try {
      return await tryEdits(state, edits, tries === 1);
    } catch (error) {
      if (!isOvertaken(error) || tries === mostTries) throw error;
    }
  }
}

/** Applies an edit, or says why not. */
export const editSite = async (state: StoreState, edit: Edit): Promise<EditOutcome> =>
  (await editInTurn(state, [edit]))[0]!;

/** Ends a rehearsal: nothing of it is kept. */
class Rehearsed extends Error {}

/** Makes an edit and takes it back at once, so that the first one in earnest finds everything ready. */
export async function rehearseEdit(state: StoreState, edit: Edit): Promise<void> {
  const rehearsal = state.orm.em.fork().transactional(async (tx) => {
    await editWithin(state, tx, edit, state.recent.get(edit.site));
    throw new Rehearsed();
  });
  await rehearsal.catch((error: unknown) => {
    if (!(error instanceof Rehearsed)) throw error;
  });
}
