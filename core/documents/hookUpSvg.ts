import { hookUpLayout, hookUpSizes, type HookUp, type HookUpLine } from '#core/connect/hookUp';
import { escaped } from '#core/shared/markup';
import { paperInk } from './paperInk';

const { stationWidth, spanWidth, lineHeight } = hookUpSizes;
const looks: Record<HookUpLine['spans'][number]['look'], { colour: string; weight: number; dashes: string }> =
  {
    coax: { colour: paperInk.copper, weight: 4, dashes: '' },
    pair: { colour: paperInk.verdigris, weight: 3, dashes: '8 3' },
    cores: { colour: paperInk.quiet, weight: 2, dashes: '' },
    fibre: { colour: paperInk.slate, weight: 2, dashes: '1 4' },
    radio: { colour: paperInk.quiet, weight: 1.5, dashes: '2 6' },
    patch: { colour: paperInk.verdigris, weight: 2, dashes: '4 2' },
  };

/** More stations than these stand on a page in a second row. */
const mostStations = 3;
/** All hook-ups are drawn to one scale, however few stations one has. */
const width = mostStations * stationWidth + (mostStations - 1) * spanWidth + 4;

/** A line in rows that a page is wide enough for; the last station of a row stands again at the beginning of the next. */
function inRows(line: HookUpLine): HookUpLine[] {
  const { carries, stations, spans } = line;
  const step = mostStations - 1;
  const rows = Math.max(1, Math.ceil((stations.length - 1) / step));
  return Array.from({ length: rows }, (_, row) => ({
    carries,
    stations: stations.slice(row * step, row * step + mostStations),
    spans: spans.slice(row * step, row * step + step),
  }));
}

const linesAt = (lines: readonly string[], x: number, y: number, more: string): string =>
  lines
    .map((words, k) => `<text x="${x}" y="${y + k * lineHeight}" ${more}>${escaped(words)}</text>`)
    .join('');

/** How a camera is connected, station by station, as a drawing for a page. */
export function hookUpSvg(hookUp: Pick<HookUp, 'lines'>, lengthWords: (lengthM: number) => string): string {
  const { lines, height } = hookUpLayout({ lines: hookUp.lines.flatMap(inRows) }, lengthWords);
  const drawn = lines.map(({ carries, y, middle, stations, spans }) => {
    const ways = spans.map(({ x, above, below, look }) => {
      const { colour, weight, dashes } = looks[look];
      const dashed = dashes ? ` stroke-dasharray="${dashes}"` : '';
      const centre = x + spanWidth / 2;
      return [
        `<path d="M${x} ${y + middle}H${x + spanWidth}" stroke="${colour}" stroke-width="${weight}"${dashed}/>`,
        linesAt(above, centre, y + middle - 8 - (above.length - 1) * lineHeight, 'text-anchor="middle"'),
        linesAt(below, centre, y + middle + 16, `text-anchor="middle" fill="${paperInk.quiet}"`),
      ].join('');
    });
    const boxes = stations.map((station) => {
      const top = y + middle - station.height / 2;
      return [
        `<rect x="${station.x}" y="${top}" width="${stationWidth}" height="${station.height}" fill="${paperInk.sheet}" stroke="${paperInk.quiet}"/>`,
        linesAt(station.name, station.x + 8, top + 15, 'font-weight="bold"'),
        linesAt(
          station.words,
          station.x + 8,
          top + 15 + station.name.length * lineHeight,
          `fill="${paperInk.quiet}"`,
        ),
      ].join('');
    });
    return [linesAt([carries], 0, y + 10, `fill="${paperInk.quiet}"`), ...ways, ...boxes].join('');
  });
  const box = `viewBox="-2 -2 ${width} ${height}" width="${width}" height="${height}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" ${box} font-family="sans-serif" font-size="11" fill="${paperInk.ink}">${drawn.join('')}</svg>`;
}
