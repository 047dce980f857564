/** A function that works its answer out once for every key, and then remembers it for as long as the function is held. */
export function remembered<K, V>(workOut: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>();
  return (key) => {
    const value = known.get(key);
    if (value !== undefined || known.has(key)) return value as V;
    const answer = workOut(key);
    known.set(key, answer);
    return answer;
  };
}
