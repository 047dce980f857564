/** The numbers from `first` to `last`, none where that is past. */
export const numbersFrom = (first: number, last: number): number[] =>
  Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);

/** `3, 4 and 9`. */
export const listed = (numbers: readonly (number | string)[]): string =>
  numbers.join(', ').replace(/, ([^,]+)$/, ' and $1');
