import { isFound } from '#core/test/find';

/** Something that can be gone to or done, by the words it is found by. */
export interface FindEntry {
  id: string;
  label: string;
  /** What it is: a run, a view of a stage, or something to do. */
  kind: 'run' | 'view' | 'action';
  hint: string;
  texts: readonly string[];
  go: () => void;
}

/** No more than so many are listed; whoever sees more types on. */
const mostListed = 12;

/** Entries that are found: first those whose own label begins so, then those that are called so, then those of which it is known. */
export function foundEntries(entries: readonly FindEntry[], typed: string): FindEntry[] {
  const wanted = typed.trim().toLowerCase();
  const rankOf = ({ label }: FindEntry): number =>
    label.toLowerCase().startsWith(wanted) ? 0 : isFound([label], typed) ? 1 : 2;
  return entries
    .filter(({ texts, label }) => isFound(texts, typed) || isFound([label], typed))
    .map((entry) => ({ entry, rank: rankOf(entry) }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, mostListed)
    .map(({ entry }) => entry);
}
