/** Longest that an id of a task is. */
const mostLetters = 58;

/** A sum of the letters of a text, in six or seven letters of its own. Source: FNV-1a of 32 bits. */
function sumOf(text: string): string {
  let sum = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) sum = Math.imul(sum ^ text.charCodeAt(at), 0x01000193);
  return (sum >>> 0).toString(36).padStart(7, '0');
}

/** An id that is not too long: what is cut off its end still tells it from others. */
export const shortId = (id: string): string =>
  id.length <= mostLetters ? id : `${id.slice(0, mostLetters - 8)}-${sumOf(id)}`;
