/** Letters and figures alone: “RG-59”, “rg 59” and “RG59” are the same, and so are “Cat 6” and “cat6”. */
const bare = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}.:,]+/gu, '');
/** The words of a text, and figures by themselves, so that 6 is not found in 16. */
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}.:,]+/u)
    .filter(Boolean);

/** Texts as they are compared. */
interface Compared {
  bare: string[];
  words: string[];
}
const compared = new WeakMap<readonly string[], Compared>();

/** Worked out once for texts that are looked through at every key. */
function comparedOf(texts: readonly string[]): Compared {
  let of = compared.get(texts);
  if (!of) compared.set(texts, (of = { bare: texts.map(bare), words: texts.flatMap(wordsOf) }));
  return of;
}

/** Whether a word stands at the start of one of these, or is the figure itself. */
const hasWord = (words: readonly string[], wanted: string): boolean =>
  words.some((word) => (/^\d+$/.test(wanted) ? word === wanted : word.startsWith(wanted)));

/**
 * Whether what a person typed is found among texts: as it stands in one of them whatever stands between its letters and figures, or each of
 * its words at the start of a word.
 */
export function isFound(texts: readonly string[], typed: string): boolean {
  const whole = bare(typed);
  if (whole === '') return true;
  const known = comparedOf(texts);
  // A figure alone is a number, not a part of one.
  if (!/^\d+$/.test(whole) && known.bare.some((text) => text.includes(whole))) return true;
  return wordsOf(typed).every((wanted) => hasWord(known.words, wanted));
}
