import same from 'fast-deep-equal';
import type { ServedSite } from '#contract';
import {
  applyChanges,
  freeId,
  mergeChanges,
  namesItself,
  renamedIn,
  siteFromTrusted,
  type Change,
  type Clash,
  type Edit,
  type Kind,
  type LogEntry,
  type Site,
} from '#core/model/site';
import type { Problem } from '#core/shared/problems';
import type { Answer } from './api';

/** What the server has confirmed, and the edits of this window that are still on their way to it. */
export interface Queue {
  version: number;
  confirmed: Site;
  log: LogEntry[];
  pending: LogEntry[];
  /** The site as the person sees it: what is confirmed, with what is on its way already applied. */
  seen: Site;
}

export type Draft = Pick<Edit, 'id' | 'site' | 'label' | 'operation' | 'by' | 'changes'>;

/** An edit that was set aside, with why and what it clashed with, for a person to read and to do again. */
export interface Dropped {
  entry: LogEntry;
  why: string;
  clashes: Clash[];
  /** Who changed the same, and when. */
  other: { by: string; at: string } | null;
}

/** A queue on what has happened by now, and what was lost on the way. */
export interface Rebased {
  queue: Queue;
  dropped: Dropped[];
}

function apply(site: Site, changes: readonly Change[]): Site {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused')
    throw new Error(`the log does not fit the site: ${applied.problems[0]?.path}`);
  return applied.value.site;
}

/** Everything that happened or is about to, for undo and redo. */
export function seenLog({ log, pending }: Queue): LogEntry[] {
  return [...log, ...pending];
}

/** Adds an edit at once, if it fits the site as it is seen. */
export function enqueue(
  queue: Queue,
  draft: Draft,
  at: string,
): { kind: 'sound'; queue: Queue } | { kind: 'refused'; problems: Problem[] } {
  const applied = applyChanges(queue.seen, draft.changes);
  if (applied.kind === 'refused') return applied;
  const entry: LogEntry = {
    ...draft,
    baseVersion: queue.version,
    version: queue.version + queue.pending.length + 1,
    at,
    inverse: applied.value.inverse,
  };
  return {
    kind: 'sound',
    queue: { ...queue, pending: [...queue.pending, entry], seen: applied.value.site },
  };
}

/** So many changes go in one request; an import is a request of its own. */
const mostChanges = 500;

/** The edits to send next, so many at most, each on the one before and the first on the version that is confirmed now. */
export function nextToSend({ version, pending }: Queue, most = 1): Edit[] {
  const edits: Edit[] = [];
  let changes = 0;
  for (const entry of pending.slice(0, most)) {
    changes += entry.changes.length;
    if (edits.length > 0 && changes > mostChanges) break;
    const { version: _version, at: _at, inverse: _inverse, ...edit } = entry;
    edits.push({ ...edit, baseVersion: version + edits.length });
  }
  return edits;
}

/** Takes in edits that happened at the server, this window's own among them. What is seen is worked out anew by whoever asked. */
function takeIn(queue: Queue, entries: readonly LogEntry[]): Queue {
  // One that happened long ago, its answer lost, may be older than what is held: it is off the queue all the same.
  const ids = new Set(entries.map(({ id }) => id));
  const pending = queue.pending.filter(({ id }) => !ids.has(id));
  const fresh = entries.filter(({ version }) => version > queue.version);
  if (fresh.length === 0) return pending.length === queue.pending.length ? queue : { ...queue, pending };
  return {
    version: fresh.at(-1)!.version,
    confirmed: fresh.reduce((site, entry) => apply(site, entry.changes), queue.confirmed),
    log: [...queue.log, ...fresh],
    pending,
    seen: queue.seen,
  };
}

/** Ids of a kind that edits take away. */
const takenAway = (edits: readonly LogEntry[], kind: Kind): Set<string> =>
  new Set(
    edits.flatMap(({ changes }) =>
      changes.flatMap((change) => (change.kind === kind && 'remove' in change ? [change.id] : [])),
    ),
  );

/** The edits with what they make under ids that nobody has, where somebody else has made something under the same meanwhile. */
function withFreeIds(pending: readonly LogEntry[], now: Site): LogEntry[] {
  let all = [...pending];
  for (let at = 0; at < all.length; at += 1)
    for (const back of all[at]!.inverse) {
      const { kind, id } = back;
      // What is taken away to go back was made by this edit.
      if (!('remove' in back) || !namesItself(kind) || !(id in now[kind])) continue;
      // What it replaces went by an edit before it; what that one says of the old one stays so.
      if (takenAway(all.slice(0, at), kind).has(id)) continue;
      const made = new Set(all.flatMap(({ changes }) => changes.map((change) => change.id)));
      const to = freeId((wanted) => wanted in now[kind] || made.has(wanted), id);
      all = all.map((entry, index) =>
        index < at
          ? entry
          : {
              ...entry,
              changes: renamedIn(entry.changes, id, to),
              inverse: renamedIn(entry.inverse, id, to),
            },
      );
    }
  return all;
}

/** Who last changed one of the facts that are clashed about. */
function otherSide(log: readonly LogEntry[], clashes: readonly Clash[]): Dropped['other'] {
  const isOne = ({ kind, id }: Change): boolean =>
    clashes.some((clash) => clash.kind === kind && clash.id === id);
  const last = log.findLast(({ changes }) => changes.some(isOne));
  return last ? { by: last.by, at: last.at } : null;
}

/**
 * The queue once its first edit has happened just as it was meant, and nothing else meanwhile: what waits behind stands on the same as
 * before, and so does what is seen. A thousand that waited through a day take a thousand steps, not a thousand times a thousand.
 */
function confirmFirst(queue: Queue, entry: LogEntry): Queue | null {
  const [first, ...pending] = queue.pending;
  const isAsMeant =
    first?.id === entry.id && entry.version === queue.version + 1 && same(entry.changes, first.changes);
  if (!isAsMeant) return null;
  return {
    ...queue,
    version: entry.version,
    confirmed: apply(queue.confirmed, entry.changes),
    log: [...queue.log, entry],
    pending,
  };
}

/**
 * Takes in what happened elsewhere. Edits on their way are brought together with it field by field and sent again on the new version; those
 * that want something else of the same field, or no longer fit, are set aside and named.
 */
export function rebase(before: Queue, entries: readonly LogEntry[]): Rebased {
  let queue = before;
  let rest = entries.filter(({ version }) => version > before.version);
  for (let own = rest[0] && confirmFirst(queue, rest[0]); own; own = rest[0] && confirmFirst(queue, rest[0]))
    [queue, rest] = [own, rest.slice(1)];
  if (queue !== before && rest.length === 0) return { queue, dropped: [] };
  const next = takeIn(queue, queue === before ? entries : rest);
  if (next === queue && entries.length > 0) return { queue, dropped: [] };
  const dropped: Dropped[] = [];
  const pending: LogEntry[] = [];
  let site = next.confirmed;
  for (const entry of withFreeIds(next.pending, site)) {
    const { changes, clashes } = mergeChanges(entry, site);
    if (clashes.length > 0) {
      const why = 'the same thing was changed in another window meanwhile';
      dropped.push({ entry, clashes, why, other: otherSide(next.log, clashes) });
      continue;
    }
    const applied = applyChanges(site, changes);
    if (applied.kind === 'refused') {
      const why = applied.problems[0]?.allowed ?? 'it no longer fits';
      dropped.push({ entry, clashes: [], why, other: null });
      continue;
    }
    site = applied.value.site;
    pending.push({ ...entry, changes, inverse: applied.value.inverse });
  }
  return { queue: { ...next, pending, seen: site }, dropped };
}

/** Takes back the edit that the server refused, and those after it that stood on it. */
function dropFirst(queue: Queue, why: string): Rebased {
  const [first] = queue.pending;
  if (!first) return { queue, dropped: [] };
  const rest = rebase({ ...queue, pending: queue.pending.slice(1) }, []);
  return { queue: rest.queue, dropped: [{ entry: first, why, clashes: [], other: null }, ...rest.dropped] };
}

/** The queue of a site that is opened: edits that an earlier page left behind are in it, unless they have happened since. */
export function openQueue(
  { version, log, file }: Omit<ServedSite, 'role'>,
  left: readonly LogEntry[],
): Rebased {
  const sent = new Set(log.map(({ id }) => id));
  const pending = left.filter(({ id }) => !sent.has(id));
  const confirmed = siteFromTrusted(file);
  return rebase({ version, confirmed, log, pending, seen: confirmed }, []);
}

/** What the answer to the first edit makes of the queue; `null` where nobody could answer, and it is to be sent again. */
export function afterAnswer(queue: Queue, answer: Answer<readonly LogEntry[]>): Rebased | null {
  switch (answer.kind) {
    case 'answer':
      return rebase(queue, answer.value);
    case 'silence':
      return null;
    case 'refusal': {
      const { status, since, problems, detail } = answer.refusal;
      // Whoever was signed out meanwhile signs in again, and it is sent then.
      if (status >= 500 || status === 401) return null;
      return status === 409 ? rebase(queue, since) : dropFirst(queue, problems[0]?.allowed ?? detail);
    }
  }
}
