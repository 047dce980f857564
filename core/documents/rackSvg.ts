import type { RackFront, RackRow } from '#core/connect/rack';
import { escaped } from '#core/shared/markup';
import { formatQuantity } from '#core/shared/units';
import { paperInk } from './paperInk';

const [width, left, unitHeight, mostLetters] = [340, 28, 18, 34];
/** As wide as other drawings, so that its letters are as large as theirs. */
const page = 500;
const looks: Record<RackRow['standing'], { words: string; dashes: string }> = {
  noted: { words: '', dashes: '' },
  anywhere: { words: 'unit not noted', dashes: '6 3' },
  planned: { words: 'to come', dashes: '3 3' },
};

/** A rack from the front, the first unit at the bottom. */
export function rackSvg({ units, rows }: Pick<RackFront, 'units' | 'rows'>): string {
  const height = units * unitHeight;
  const scale = Array.from({ length: units }, (_, k) => {
    const y = k * unitHeight + 1;
    return `<path d="M${left} ${y}H${width - 1}" stroke="${paperInk.rule}"/><text x="${left - 8}" y="${y + 12}" text-anchor="end" fill="${paperInk.quiet}" font-size="8">${units - k}</text>`;
  });
  const gear = rows.map(({ name, from, to, standing, goes, watts }) => {
    const y = (units - to) * unitHeight + 2;
    const { words, dashes } = looks[standing];
    const says = [words, goes ? 'goes' : '', watts > 0 ? formatQuantity(watts, 'W', 0) : '']
      .filter(Boolean)
      .join(', ');
    const shown = name.length > mostLetters ? `${name.slice(0, mostLetters - 1)}…` : name;
    const frame = `fill="${paperInk.sheet}" stroke="${goes ? paperInk.madder : paperInk.quiet}"${dashes ? ` stroke-dasharray="${dashes}"` : ''}`;
    return [
      `<rect x="${left + 2}" y="${y}" width="${width - left - 5}" height="${(to - from + 1) * unitHeight - 2}" ${frame}/>`,
      `<text x="${left + 10}" y="${y + 12}">${escaped(shown)}</text>`,
      `<text x="${width - 10}" y="${y + 12}" text-anchor="end" fill="${paperInk.quiet}" font-size="8">${escaped(says)}</text>`,
    ].join('');
  });
  const frame = `<rect x="${left}" y="1" width="${width - left - 1}" height="${height}" fill="none" stroke="${paperInk.ink}" stroke-width="1.6"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" font-family="sans-serif" viewBox="0 0 ${page} ${height + 2}" width="${page}" height="${height + 2}" font-size="10" fill="${paperInk.ink}">${[...scale, frame, ...gear].join('')}</svg>`;
}
