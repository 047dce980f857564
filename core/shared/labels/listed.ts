/** Things in a row of words: `3, 4 and 9`. */
export const listed = (things: readonly (number | string)[]): string =>
  things.join(', ').replace(/, ([^,]+)$/, ' and $1');
