import { endOfText } from './endOfText';

/** Deeper than this nothing nests that Neotrope or a device writes; whoever walks it step by step is safe. */
const mostDepth = 64;

const quote = 34;

/**
 * Whether JSON text nests deeper than `most` lists and objects, by one pass over it and before it is parsed: whatever walks a value that is
 * nested a hundred thousand deep runs out of stack.
 */
export function nestsDeeper(text: string, most = mostDepth): boolean {
  let depth = 0;
  for (let at = 0; at < text.length; at += 1) {
    switch (text.charCodeAt(at)) {
      case 91: // [
      case 123: // {
        depth += 1;
        if (depth > most) return true;
        break;
      case 93: // ]
      case 125: // }
        depth -= 1;
        break;
      case quote:
        at = endOfText(text, at);
    }
  }
  return false;
}
