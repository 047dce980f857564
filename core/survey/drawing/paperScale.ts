import type { Drawing } from '#core/model/site';

/**
 * The scale of a sheet of known paper that was drawn at 1 to `ratio`, told from the picture's own width.
 * @param paperWidthMm how wide the paper is
 */
export const paperScale = (
  { widthPx }: Pick<Drawing, 'widthPx'>,
  paperWidthMm: number,
  ratio: number,
): NonNullable<Drawing['scale']> => ({
  a: { x: 0, y: 0 },
  b: { x: widthPx, y: 0 },
  distanceM: (paperWidthMm / 1000) * ratio,
});
