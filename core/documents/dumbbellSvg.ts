import type { CheckState, ThingState } from '#core/signoff/acceptance';
import { escaped } from '#core/shared/markup';
import type { AcceptanceCheckId } from '#core/model/site';

const [width, rowHeight, left, right] = [500, 16, 130, 12];

interface Drawn {
  label: string;
  state: CheckState;
}

const valuesOf = ({ state: { predicted, reading, limit } }: Drawn): number[] => [
  ...(predicted ? [predicted.low, predicted.high] : []),
  ...(reading?.found.kind === 'figure' ? [reading.found.value] : []),
  ...(limit.kind === 'figure' ? [limit.least, limit.most].filter((one) => one !== null) : []),
];

/** A row: a band where it was predicted, a lozenge where it was read, brackets at what is wanted. */
function rowOf({ label, state }: Drawn, index: number, x: (value: number) => number): string {
  const y = index * rowHeight + rowHeight / 2;
  const { predicted, reading, limit, holds } = state;
  const band = predicted
    ? `<rect x="${x(predicted.low)}" y="${y - 4}" width="${Math.max(1, x(predicted.high) - x(predicted.low))}" height="8" fill="#b5d3ca"/><line x1="${x(predicted.value)}" x2="${x(predicted.value)}" y1="${y - 5}" y2="${y + 5}" stroke="#1f6f5f" stroke-width="1.5"/>`
    : '';
  const bracket = (at: number, towards: 1 | -1): string =>
    `<path d="M${x(at) + 3 * towards} ${y - 6}h${-3 * towards}v12h${3 * towards}" fill="none" stroke="#22303a"/>`;
  const limits =
    limit.kind === 'figure'
      ? `${limit.least === null ? '' : bracket(limit.least, 1)}${limit.most === null ? '' : bracket(limit.most, -1)}`
      : '';
  const read =
    reading?.found.kind === 'figure'
      ? `<path d="M${x(reading.found.value)} ${y - 4}l4 4l-4 4l-4 -4z" fill="${holds === false ? '#9b2c2c' : '#22303a'}"/>`
      : '';
  return `<text x="0" y="${y + 3}" font-size="8">${escaped(label)}</text>${band}${limits}${read}`;
}

/** Predicted and read of one check for every thing that has it, as a drawing of lines; nothing where no thing has. */
export function dumbbellSvg(things: readonly ThingState[], check: AcceptanceCheckId): string | null {
  const drawn = things.flatMap(({ number, name, checks }): Drawn[] => {
    const state = checks.find((one) => one.check === check && one.predicted !== null);
    return state ? [{ label: number === null ? name : `${number} ${name}`, state }] : [];
  });
  if (drawn.length === 0) return null;
  const values = drawn.flatMap(valuesOf);
  const [from, to] = [Math.min(...values), Math.max(...values)];
  const x = (value: number): number =>
    Math.round((left + ((value - from) / (to - from || 1)) * (width - left - right)) * 10) / 10;
  const height = drawn.length * rowHeight;
  return `<svg xmlns="http://www.w3.org/2000/svg" font-family="sans-serif" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${drawn.map((one, index) => rowOf(one, index, x)).join('')}</svg>`;
}
