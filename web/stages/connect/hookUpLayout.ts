import type { HookUp, HookUpLine } from '#core/connect/hookUp';

/** Sizes of a hook-up drawing, in its own units. */
export const stationWidth = 168;
export const spanWidth = 150;
const lineHeight = 13;
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

/** With a space that does not break: a figure stays with its unit. */
const metres = (lengthM: number): string => (lengthM > 0 ? `${Math.round(lengthM)}\u00a0m` : '');

function drawnLine({ carries, stations, spans }: HookUpLine, y: number): DrawnLine & { height: number } {
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
      above: wrapped([label, metres(lengthM)].filter(Boolean).join(', '), spanLetters),
      below: cores ? wrapped(cores, spanLetters) : [],
      look,
    })),
  };
}

/** A hook-up with everything at its place: one line of stations under the other. */
export function hookUpLayout({ lines }: Pick<HookUp, 'lines'>): {
  lines: DrawnLine[];
  width: number;
  height: number;
} {
  let y = 0;
  const drawn = lines.map((line) => {
    const { height, ...rest } = drawnLine(line, y);
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
