import type { RunEvaluation } from '#core/decide/runEvaluation';
import { escaped } from '#core/shared/markup';
import { layOut, type LineShape } from '#core/survey/lineShape';
import { paperInk } from './paperInk';

const [width, rowHeight, x0, wordsWidth] = [500, 17, 132, 112];
const mostLetters = 26;
type State = RunEvaluation['findings']['state'];

/** The end of a line says how it stands: filled, half filled, crossed or dashed, so that it reads without its colour. */
function endMark(x: number, y: number, state: State): string {
  const colour = {
    holds: paperInk.verdigris,
    close: paperInk.ochre,
    fails: paperInk.madder,
    stop: paperInk.madder,
    untested: paperInk.quiet,
  }[state];
  const ring = `<circle cx="${x}" cy="${y}" r="4" fill="${state === 'holds' ? colour : paperInk.sheet}" stroke="${colour}" stroke-width="1.4"${state === 'untested' ? ' stroke-dasharray="2 2"' : ''}/>`;
  if (state === 'close')
    return `${ring}<path d="M${x - 4} ${y}a4 4 0 0 0 8 0z" fill="${colour}" stroke="none"/>`;
  if (state === 'fails' || state === 'stop')
    return `${ring}<path d="M${x - 2.6} ${y - 2.6}l5.2 5.2m0 -5.2l-5.2 5.2" stroke="${colour}" stroke-width="1.5"/>`;
  return ring;
}

function strokesOf({ stretches, joints }: LineShape, y: number): string {
  const cables = stretches.map(({ x1, x2, stroke, hasLeg }) => {
    const dashes = stroke.dashes ? ` stroke-dasharray="${stroke.dashes}"` : '';
    const cable = `<path d="M${x1.toFixed(1)} ${y}H${x2.toFixed(1)}" stroke="${paperInk[stroke.colour]}" stroke-width="${stroke.weight}"${dashes}/>`;
    const legY = y + stroke.weight / 2 + 2;
    return hasLeg
      ? `${cable}<path d="M${x1.toFixed(1)} ${legY}H${x2.toFixed(1)}" stroke="${paperInk.ink}" stroke-width="0.8"/>`
      : cable;
  });
  const ticks = joints.map(
    ({ x }) => `<path d="M${x.toFixed(1)} ${y - 6}V${y + 6}" stroke="${paperInk.ink}" stroke-width="1.4"/>`,
  );
  return [...cables, ...ticks].join('');
}

const text = (x: number, y: number, words: string, colour: string = paperInk.ink): string =>
  `<text x="${x.toFixed(1)}" y="${y}" font-size="8" fill="${colour}">${escaped(words)}</text>`;

/** Runs as lines to one scale, with what they are made of, their joints, and how they stand. */
export function linesSvg(
  runs: readonly Pick<RunEvaluation, 'run' | 'camera' | 'lengthM' | 'findings'>[],
  lengthWords: (lengthM: number) => string,
  longestM: number = Math.max(...runs.map(({ lengthM }) => lengthM)),
): string {
  const pxPerM = (width - x0 - wordsWidth) / Math.max(1, longestM);
  const rows = runs.map(({ run, camera, findings }, index) => {
    const y = index * rowHeight + rowHeight / 2;
    const shape = layOut(run, x0, pxPerM, lengthWords);
    const name = `${camera.number} ${camera.name}`;
    const shown = name.length > mostLetters ? `${name.slice(0, mostLetters - 1)}…` : name;
    return [
      text(0, y + 3, shown),
      strokesOf(shape, y),
      endMark(shape.endX + 6, y, findings.state),
      text(shape.endX + 14, y + 3, shape.words, paperInk.quiet),
    ].join('');
  });
  const height = runs.length * rowHeight;
  return `<svg xmlns="http://www.w3.org/2000/svg" font-family="sans-serif" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${rows.join('')}</svg>`;
}
