/** So many of a thing, in words: `1 recorder`, `24 cameras`. */
export const counted = (count: number, thing: string): string => `${count} ${thing}${count === 1 ? '' : 's'}`;
