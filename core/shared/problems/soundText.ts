/** A character that no text has, and half of one: neither goes into a database or a file and comes out the same. */
const nul = /(?:^|[^\\])(?:\\\\)*\\u0000/;
const highAlone = /(?:^|[^\\])(?:\\\\)*\\ud[89ab][0-9a-f]{2}(?!\\ud[c-f][0-9a-f]{2})/i;
const lowAlone = /(?:^|[^\\])(?:\\\\)*(?<!\\ud[89ab][0-9a-f]{2})\\ud[c-f][0-9a-f]{2}/i;
const aloneAsIs = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Whether JSON text holds only characters that are whole and can be kept. */
export const isSoundText = (json: string): boolean =>
  !json.includes('\0') &&
  !aloneAsIs.test(json) &&
  // Most texts escape nothing by number, and are told by one look.
  (!/\\u/i.test(json) || !(nul.test(json) || highAlone.test(json) || lowAlone.test(json)));
