/** Text that a spreadsheet would run as a formula when it opens a CSV file. */
const dangerous = /^'*\s*[=+\-@\t\r\n]/;
const isFigure = /^[+-]?\d+([.,]\d+)?$/;

/** Text made harmless for a spreadsheet by an apostrophe before it. */
export function neutralised(text: string): string {
  return dangerous.test(text) && !isFigure.test(text) ? `'${text}` : text;
}

/** The text as it was before it was made harmless. */
export function restored(text: string): string {
  return text.startsWith("'") && dangerous.test(text.slice(1)) && !isFigure.test(text.slice(1))
    ? text.slice(1)
    : text;
}
