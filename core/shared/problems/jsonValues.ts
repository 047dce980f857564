import { endOfText } from './endOfText';

/**
 * Whether JSON text holds more than `most` values, by one pass over it and before it is parsed: an empty list is two bytes of text and a
 * hundred of memory. Counted are the marks that stand before or in every value: brackets, braces, commas.
 */
export function holdsMoreValues(text: string, most: number): boolean {
  let values = 0;
  for (let at = 0; at < text.length; at += 1) {
    switch (text.charCodeAt(at)) {
      case 91: // [
      case 123: // {
      case 44: // ,
        values += 1;
        if (values > most) return true;
        break;
      case 34: // "
        at = endOfText(text, at);
    }
  }
  return false;
}
