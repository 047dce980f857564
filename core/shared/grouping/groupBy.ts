/** Puts a thing at the end of the list that is kept under a key. */
export function putUnder<Key, Thing>(lists: Map<Key, Thing[]>, key: Key, thing: Thing): void {
  const known = lists.get(key);
  if (known) known.push(thing);
  else lists.set(key, [thing]);
}

/** Things by their key, each list in their order and the keys in the order of their first; a thing whose key is `null` is left out. */
export function groupBy<Thing, Key>(
  things: Iterable<Thing>,
  keyOf: (thing: Thing) => Key | null,
): Map<Key, Thing[]> {
  const lists = new Map<Key, Thing[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    if (key !== null) putUnder(lists, key, thing);
  }
  return lists;
}
