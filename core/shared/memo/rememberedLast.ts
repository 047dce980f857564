/** A function that remembers the answers of so many keys, those that were asked for last: for answers that are large, and keys without end. */
export function rememberedLast<K, V>(most: number, workOut: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>();
  return (key) => {
    const answer = known.has(key) ? (known.get(key) as V) : workOut(key);
    // A map keeps its keys in the order in which they came: asked for again, a key is the youngest.
    known.delete(key);
    known.set(key, answer);
    const [oldest] = known.keys();
    if (known.size > most) known.delete(oldest!);
    return answer;
  };
}
