import { metresPerFoot, type Measures } from './measures';
import { formatFigure } from './unit';

/**
 * A length as `formatQuantity` writes it; “dB per 100 m” is how data sheets are headed everywhere and stays, and so does what stands in
 * quotation marks: somebody typed it.
 */
const quoted = '“[^”]*”';
const length = String.raw`(?<!per |[\d.\u202f])(\d{1,3}(?:\u202f\d{3})+|\d+)(\.\d+)?( ± | to | – )?(?:(\d+)(\.\d+)?)? m(?![\p{L}\p{N}²/])`;
const written = new RegExp(`${quoted}|${length}`, 'gu');

const inFeet = (whole: string, fraction = ''): string =>
  formatFigure(
    Number(whole.replace(/\u202f/g, '') + fraction) / metresPerFoot,
    'm',
    Math.max(0, fraction.length - 1),
  );

/**
 * A text with its lengths in the person's own unit: “at 97 m” becomes “at 318 ft”. Sentences are written once, in metres, where they are
 * worked out; who reads feet reads them so everywhere. What `formatQuantity` wrote is understood, whatever stands around it.
 */
export function lengthsInWords(text: string, measures: Pick<Measures, 'length'>): string {
  if (measures.length === 'm') return text;
  return text.replace(
    written,
    (
      all: string,
      whole: string | undefined,
      fraction: string | undefined,
      between: string | undefined,
      second: string | undefined,
      secondFraction: string | undefined,
    ) => {
      if (whole === undefined || (between === undefined) !== (second === undefined)) return all;
      const first = inFeet(whole, fraction);
      return between && second ? `${first}${between}${inFeet(second, secondFraction)} ft` : `${first} ft`;
    },
  );
}
