/** A function that works its answer out once for every object, and forgets it with the object: for facts, which never change. */
export function rememberedFor<K extends object, V extends object | string | number | boolean | null>(
  workOut: (key: K) => V,
): (key: K) => V {
  const known = new WeakMap<K, V>();
  return (key) => {
    let answer = known.get(key);
    if (answer === undefined) known.set(key, (answer = workOut(key)));
    return answer;
  };
}
