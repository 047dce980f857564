import type { HookUp, HookUpLine } from './types';

/** Sizes of a hook-up drawing, in its own units. */
export const hookUpSizes = { stationWidth: 168, spanWidth: 150, lineHeight: 13 } as const;
const { stationWidth, spanWidth, lineHeight } = hookUpSizes;
const titleHeight = 16;
const lineGap = 30;
const stationLetters = 28;
const spanLetters = 25;

/** Text in lines of at most so many letters, broken between words. */
export function wrapped(text: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

export interface DrawnStation {
  x: number;
  name: string[];
  words: string[];
  height: number;
}
export interface DrawnSpan {
  x: number;
  above: string[];
  below: string[];
  look: HookUpLine['spans'][number]['look'];
}
export interface DrawnLine {
  carries: string;
  y: number;
  /** Where its strokes run. */
  middle: number;
  stations: DrawnStation[];
  spans: DrawnSpan[];
}

type LengthWords = (lengthM: number) => string;

function drawnLine(
  { carries, stations, spans }: HookUpLine,
  y: number,
  lengthWords: LengthWords,
): DrawnLine & { height: number } {
  /** With a space that does not break: a figure stays with its unit. */
  const length = (lengthM: number): string =>
    lengthM > 0 ? lengthWords(lengthM).replace(' ', '\u00a0') : '';
  const drawn = stations.map(({ name, where, terminals }, index): DrawnStation => {
    const names = wrapped(name, stationLetters - 3);
    const words = [where, ...terminals.map((terminal) => `• ${terminal}`)].flatMap((text) =>
      wrapped(text, stationLetters),
    );
    return {
      x: index * (stationWidth + spanWidth),
      name: names,
      words,
      height: 12 + (names.length + words.length) * lineHeight,
    };
  });
  const height = Math.max(72, ...drawn.map((one) => one.height));
  return {
    carries,
    y,
    height: titleHeight + height,
    middle: titleHeight + height / 2,
    stations: drawn,
    spans: spans.map(({ label, cores, lengthM, look }, index) => ({
      x: index * (stationWidth + spanWidth) + stationWidth,
      above: wrapped([label, length(lengthM)].filter(Boolean).join(', '), spanLetters),
      below: cores ? wrapped(cores, spanLetters) : [],
      look,
    })),
  };
}

/** A hook-up with everything at its place: one line of stations under the other. */
export function hookUpLayout(
  { lines }: Pick<HookUp, 'lines'>,
  lengthWords: LengthWords,
): {
  lines: DrawnLine[];
  width: number;
  height: number;
} {
  let y = 0;
  const drawn = lines.map((line) => {
    const { height, ...rest } = drawnLine(line, y, lengthWords);
    y += height + lineGap;
    return rest;
  });
  const most = Math.max(1, ...lines.map(({ stations }) => stations.length));
  return {
    lines: drawn,
    width: most * stationWidth + (most - 1) * spanWidth + 4,
    height: Math.max(60, y - lineGap + 4),
  };
}
