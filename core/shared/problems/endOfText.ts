const [quote, backslash] = [34, 92];

/** Where the text that begins at a quotation mark of JSON ends: its closing mark, or the end of all where it has none. */
export function endOfText(json: string, from: number): number {
  let at = from + 1;
  for (let code = json.charCodeAt(at); at < json.length && code !== quote; code = json.charCodeAt(at))
    at += code === backslash ? 2 : 1;
  return at;
}
