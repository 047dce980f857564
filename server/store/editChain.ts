import { createHash } from 'node:crypto';

/** The link of an edit in its site's log: the hash of its text and of the link before. Whatever changes in a log breaks it from there on. */
export const linkOf = (before: string, entry: string): string =>
  createHash('sha256').update(before).update('\n').update(entry).digest('hex');

export interface ChainedEdit {
  version: number;
  entry: string;
  link: string;
}

/**
 * The first version at which a log does not hang together: one is missing, or its text is not what it was. `before` is the link of the
 * edit before the first of them.
 */
export function brokenAt(edits: readonly ChainedEdit[], before: string): number | null {
  let link = before;
  let next = edits[0]?.version ?? 1;
  for (const edit of edits) {
    if (edit.version !== next || linkOf(link, edit.entry) !== edit.link) return edit.version;
    link = edit.link;
    next += 1;
  }
  return null;
}
