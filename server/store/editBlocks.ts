import { gunzipSync, gzipSync } from 'node:zlib';

/** So many edits that nobody takes back any more are kept together, packed to a tenth of their size. */
export const blockLength = 500;

/** How many of a site's last edits are never packed: five times as many as a window can take back. */
export const keptAtHand = 1000;

/** What stands in place of the text of a packed edit; it is JSON, and no edit. */
export const packedText = 'null';

/** Edits from one version on, in one piece. Their rows stay in the log, with their ids and links. */
export interface EditBlock {
  first: number;
  texts: Buffer;
}

export const packed = (texts: readonly string[]): Buffer => gzipSync(JSON.stringify(texts));

/** The texts in a block, the oldest first, each to the byte as it was. */
export const textsIn = (block: EditBlock): string[] =>
  JSON.parse(gunzipSync(block.texts).toString('utf8')) as string[];

/** Edits with their texts, wherever those stand. Throws where a block that one is in is not among these. */
export function withTexts<E extends { version: number; entry: string }>(
  edits: readonly E[],
  blocks: readonly EditBlock[],
): E[] {
  const texts = new Map(
    blocks.flatMap((block) => textsIn(block).map((text, index) => [block.first + index, text] as const)),
  );
  return edits.map((edit) => {
    if (edit.entry !== packedText) return edit;
    const entry = texts.get(edit.version);
    if (entry === undefined) throw new Error(`the text of edit ${edit.version} is in no block`);
    return { ...edit, entry };
  });
}
