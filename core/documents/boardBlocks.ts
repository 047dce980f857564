import { quantityFor } from '#core/shared/units';
import { linesSvg } from './linesSvg';
import type { Block } from './paper';
import type { PaperContext } from './paperContext';

/** So many lines stand on a page beside the words around them. */
const linesOnPage = 36;

/** All runs to one scale, some to a page. */
export function boardBlocks({ evaluation: { runs }, measures }: PaperContext): Block[] {
  const longestM = Math.max(1, ...runs.map(({ lengthM }) => lengthM));
  const pages = Math.ceil(runs.length / linesOnPage);
  return Array.from({ length: pages }, (_, page): Block => {
    const some = runs.slice(page * linesOnPage, (page + 1) * linesOnPage);
    return {
      kind: 'drawing',
      svg: linesSvg(some, (lengthM) => quantityFor(lengthM, 'm', measures), longestM),
      caption: `Cameras ${some[0]!.camera.number} to ${some.at(-1)!.camera.number}, to one scale; at the end of each how it stands: filled holds, half close, crossed not, dashed untested`,
    };
  });
}
