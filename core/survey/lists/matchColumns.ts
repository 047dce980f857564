import distance from 'damerau-levenshtein';
import { listOf, type ListId } from './lists';

const plain = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
const withoutUnit = (heading: string): string =>
  plain(heading)
    .replace(/ (m|ft|feet|metres|meters|w|watts|v|volts|c|°c|mm)$/, '')
    .replace(/^(w|watts|v|volts) (?=\p{L})/u, '');

/** What a column of a foreign table was matched with: a column of the list, and feet where its heading says so. */
export interface Match {
  key: string | null;
  length: 'm' | 'ft';
}

/** A slip of the finger in a word long enough to be told by the rest. */
const isSlip = (a: string, b: string): boolean =>
  Math.min(a.length, b.length) >= 5 && distance(a, b).steps <= 1;

/** Matches the headings of a foreign table with a list's columns; each column is taken once, and what fits nothing is left out. */
export function matchColumns(id: ListId, headings: readonly string[]): Match[] {
  const names = listOf(id).columns.map(({ key, heading, also }) => ({
    key,
    names: [key, heading, ...also].flatMap((name) => [plain(name), withoutUnit(name)]),
  }));
  const taken = new Set<string>();
  const found = headings.map((): string | null => null);
  const tries: ((wanted: string, name: string) => boolean)[] = [
    (wanted, name) => wanted === name,
    (wanted, name) => withoutUnit(wanted) === name,
    isSlip,
  ];
  for (const fits of tries) {
    headings.forEach((heading, index) => {
      if (found[index] !== null || plain(heading) === '') return;
      const match = names.find(
        ({ key, names: known }) => !taken.has(key) && known.some((name) => fits(plain(heading), name)),
      );
      if (!match) return;
      taken.add(match.key);
      found[index] = match.key;
    });
  }
  return headings.map((heading, index) => ({
    key: found[index] ?? null,
    length: /\b(ft|feet|foot)\b/i.test(heading) ? 'ft' : 'm',
  }));
}
