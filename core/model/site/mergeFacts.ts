import same from 'fast-deep-equal';
import type { Change } from './change';
import type { LogEntry } from './edit';
import { lastingRule } from './lasting';
import type { Fact, Kind, Site } from './site';

/** A field that two people changed from the same value to different ones. */
export interface Clash {
  kind: Kind;
  id: string;
  field: string;
  mine: unknown;
  theirs: unknown;
}

type Fields = Readonly<Record<string, unknown>>;

/** Who did it and when goes with what was done: by itself it is nothing to differ about. */
const provenance: ReadonlySet<string> = new Set(['at', 'by']);

const fieldsOf = (fact: object): Fields => fact as Fields;

/** What both made of a fact, field by field, and where they want different things. */
function merged(base: Fields, mine: Fields, theirs: Fields): { fact: Fields; clashing: string[] } {
  const fact: Record<string, unknown> = {};
  const clashing: string[] = [];
  for (const field of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const [was, here, there] = [base[field], mine[field], theirs[field]];
    const isClash = !same(was, here) && !same(was, there) && !same(here, there);
    if (isClash && !provenance.has(field)) clashing.push(field);
    const value = same(was, here) ? there : here;
    if (value !== undefined) fact[field] = value;
  }
  return { fact, clashing };
}

/** What a fact was before an edit, as its inverse says: that of the first change of the fact stands last. */
const factBefore = (inverse: readonly Change[], { kind, id }: Change): Fact<Kind> | undefined => {
  const back = inverse.findLast((change) => change.kind === kind && change.id === id);
  return back && 'set' in back ? back.set : undefined;
};

/**
 * An edit's changes as they are on a site that somebody else has brought on meanwhile: what each changed of a fact is kept, and fields that
 * both changed are told. What they were made on is in the inverse, so that it is known after a reload too.
 */
export function mergeChanges(
  { changes, inverse }: Pick<LogEntry, 'changes' | 'inverse'>,
  now: Site,
): { changes: Change[]; clashes: Clash[] } {
  const clashes: Clash[] = [];
  const all = changes.map((change): Change => {
    const { kind, id } = change;
    // What was read is never another: it can only be there or be struck out.
    if (lastingRule(kind)) return change;
    const was = factBefore(inverse, change);
    const theirs = now[kind][id] as Fact<Kind> | undefined;
    if (same(was, theirs)) return change;
    const clash = (field: string, mine: unknown, their: unknown): void =>
      void clashes.push({ kind, id, field, mine, theirs: their });
    if (!('set' in change)) {
      if (theirs) clash('', null, theirs);
      return change;
    }
    if (!theirs) {
      clash('', change.set, null);
      return change;
    }
    // Where both noted it for the first time, all of its fields are new on both sides.
    const { fact, clashing } = merged(fieldsOf(was ?? {}), fieldsOf(change.set), fieldsOf(theirs));
    for (const field of clashing) clash(field, fieldsOf(change.set)[field], fieldsOf(theirs)[field]);
    return { ...change, set: fact } as unknown as Change;
  });
  return { changes: all, clashes };
}

const isReference = (key: string): boolean => key === 'id' || /Ids?$/.test(key);

/** Changes in which something that they make has another id, wherever they refer to it. */
export const renamedIn = (changes: readonly Change[], from: string, to: string): Change[] => {
  const rename = (value: unknown, key: string): unknown => {
    if (typeof value === 'string') return value === from && isReference(key) ? to : value;
    if (Array.isArray(value)) return value.map((one) => rename(one, key));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, rename(one, name)]));
  };
  return changes.map((change) => rename(change, '') as Change);
};
