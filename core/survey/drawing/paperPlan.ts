import type { Drawing } from '#core/model/site';
import { metresPerPixel } from './scale';

/** Papers a plan is put on, lying on their side, with a margin of 12 mm all round. */
export const papers = {
  a4: { label: 'A4', widthMm: 273, heightMm: 186 },
  a3: { label: 'A3', widthMm: 396, heightMm: 273 },
} as const;
export type PaperId = keyof typeof papers;

/** Scales that a ruler or a draughtsman knows. */
const ratios = [
  10, 20, 25, 50, 75, 100, 125, 150, 200, 250, 300, 400, 500, 750, 1000, 1250, 1500, 2000, 2500, 5000,
];
/** The band under the plan for its name, its bar and its legend, as a part of the plan's width. */
export const bandShare = 0.085;

export interface PaperPlan {
  /** Drawn at 1 to so much; `null` where the drawing has no scale or fits none, and it fills the paper. */
  ratio: number | null;
  widthMm: number;
  heightMm: number;
}

/** How large a drawing stands on a paper: at the largest scale that a ruler knows and that fits. */
export function onPaper(drawing: Drawing, paper: PaperId): PaperPlan {
  const { widthMm: most, heightMm: highest } = papers[paper];
  const aspect = (drawing.heightPx + bandShare * drawing.widthPx) / drawing.widthPx;
  const fits = (widthMm: number): boolean => widthMm <= most && widthMm * aspect <= highest;
  const metres = metresPerPixel(drawing);
  const realMm = metres === null ? null : metres * drawing.widthPx * 1000;
  const ratio = realMm === null ? undefined : ratios.find((one) => fits(realMm / one));
  const widthMm = realMm !== null && ratio !== undefined ? realMm / ratio : Math.min(most, highest / aspect);
  return { ratio: ratio ?? null, widthMm, heightMm: widthMm * aspect };
}
