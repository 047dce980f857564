/** The whole numbers from `first` to `last`, none where that is past. */
export const numbersFrom = (first: number, last: number): number[] =>
  Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);
