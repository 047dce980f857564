/**
 * An id of small letters, digits and hyphens made from a name, with a number behind it where that one is taken. With a `mark` of whoever
 * makes it, two people apart never make the same.
 */
export function freeId(taken: (id: string) => boolean, name: string, mark = ''): string {
  const base =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'x';
  const marked = mark ? `${base}-${mark}` : base;
  for (let n = 1; ; n += 1) {
    const id = n === 1 ? marked : `${marked}-${n}`;
    // Facts are looked up by id in plain objects, which answer to a few names of their own.
    if (!(id in {}) && !taken(id)) return id;
  }
}

/** A name that none of these has: as it is wanted, else with the next number behind it. */
export function freeName(taken: readonly string[], wanted: string): string {
  const known = new Set(taken.map((name) => name.toLowerCase()));
  if (!known.has(wanted.toLowerCase())) return wanted;
  const base = wanted.replace(/ \d+$/, '');
  for (let n = 2; ; n += 1) if (!known.has(`${base} ${n}`.toLowerCase())) return `${base} ${n}`;
}
