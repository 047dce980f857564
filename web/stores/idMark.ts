const letters = 'abcdefghjkmnpqrstuvwxyz23456789';
const length = 5;

/**
 * What stands in the ids of whatever is made in this window. Two people who are apart make things under ids that never meet, and nothing has
 * to be renamed when they come together.
 */
export const idMark = [...crypto.getRandomValues(new Uint8Array(length))]
  .map((byte) => letters[byte % letters.length])
  .join('');
