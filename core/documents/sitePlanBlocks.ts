import { planSvg, bandShare } from '#core/survey/drawing';
import type { Block } from './paper';
import type { PaperContext } from './paperContext';
import { pictureMark } from './pictureMark';

/** As wide as a page between its margins. */
const widthMm = 176;

/** Every drawing of the site with what stands on it and the ways that cables take, as wide as a page. */
export const sitePlanBlocks = ({ site, measures }: PaperContext): Block[] =>
  Object.values(site.drawing).map((drawing): Block => {
    const { id, fileId, name, widthPx, heightPx } = drawing;
    const heightMm = (widthMm * heightPx) / widthPx + bandShare * widthMm;
    const isEmpty = !Object.values(site.pin).some(({ drawingId }) => drawingId === id);
    return {
      kind: 'drawing',
      svg: planSvg(site, drawing, pictureMark(fileId), { ratio: null, widthMm, heightMm }, measures),
      caption: isEmpty ? `${name}: nothing is put on it yet` : name,
      on: { fileId, share: heightPx / (heightPx + bandShare * widthPx) },
    };
  });
