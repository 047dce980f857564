import type { PdfNode } from './pdfNode';

/** The letters of the program, and those that stand in for signs that they do not have: ohms, comparisons. */
export const paperFonts = { own: 'Archivo', standIn: 'Roboto' } as const;

/** Signs that the letters of the program have, of those that papers use. */
const ownSigns =
  ' -~\\u00a0-\\u00ff\\u0131\\u0152\\u0153\\u02c6\\u02da\\u02dc\\u2009\\u2013\\u2014\\u2018-\\u201a\\u201c-\\u201e\\u2022\\u2026\\u20ac\\u2122\\u2191\\u2193\\u2212\\s';
const foreign = new RegExp(`[^${ownSigns}]`);
const pieces = new RegExp(`[${ownSigns}]+|[^${ownSigns}]+`, 'g');

/** A narrow space that holds figures together is in neither, and is a usual one that does. */
const spaced = (text: string): string => text.replaceAll('\u202f', '\u00a0');

/** Words, or pieces of them where some signs are of the other letters. */
function lettered(text: string): string | { text: string; font?: string }[] {
  const plain = spaced(text);
  if (!foreign.test(plain)) return plain;
  return (plain.match(pieces) ?? []).map((piece) =>
    foreign.test(piece) ? { text: piece, font: paperFonts.standIn } : { text: piece },
  );
}

/** A drawing whose words are in the letters of the program, those with other signs in the ones that have them. */
const svgLettered = (svg: string): string =>
  spaced(svg).replace(/<text([^>]*)>([^<]*)<\/text>/g, (whole, how: string, words: string) =>
    foreign.test(words) ? `<text${how} font-family="${paperFonts.standIn}">${words}</text>` : whole,
  );

/** Fields of a piece of a page that hold words or further pieces. */
const holding = new Set(['stack', 'columns', 'ul', 'table', 'body', 'toc', 'title', 'text']);

function inside(node: unknown): unknown {
  if (typeof node === 'string') {
    const words = lettered(node);
    return typeof words === 'string' ? words : { text: words };
  }
  if (Array.isArray(node)) return node.map(inside);
  return typeof node === 'object' && node !== null ? inLetters(node as PdfNode) : node;
}

/** A piece of a page with every sign in letters that have it. */
export function inLetters(node: PdfNode): PdfNode {
  return Object.fromEntries(
    Object.entries(node).flatMap(([field, value]): [string, unknown][] => {
      if (field === 'text' && typeof value === 'string') return [[field, lettered(value)]];
      if (field === 'svg' && typeof value === 'string')
        return [
          [field, svgLettered(value)],
          ['font', paperFonts.own],
        ];
      return [[field, holding.has(field) ? inside(value) : value]];
    }),
  );
}
