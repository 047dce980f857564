/** A source of normal deviates, of mean 0 and standard deviation 1, two from each pair of even ones. Source: Box and Muller, 1958. */
export function createNormal(random: () => number): () => number {
  let second: number | undefined;
  return () => {
    if (second !== undefined) {
      const value = second;
      second = undefined;
      return value;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    second = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
