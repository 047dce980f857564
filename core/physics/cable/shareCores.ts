/** The ways in which so many cores can carry current out and back, never more back than out. */
export function waysToShareCores(cores: number): { outCores: number; backCores: number }[] {
  const ways: { outCores: number; backCores: number }[] = [];
  for (let outCores = 1; outCores < cores; outCores += 1)
    for (let backCores = 1; outCores + backCores <= cores && backCores <= outCores; backCores += 1)
      ways.push({ outCores, backCores });
  return ways;
}
