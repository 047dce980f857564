import type { LossPoint } from './dataSheet';

/** Loss as a data sheet lists it, MHz and dB per 100 m: `10: 2.1, 100: 6.9`. */
export const lossText = (points: readonly LossPoint[]): string =>
  points.map(({ mhz, dbPer100m }) => `${mhz}: ${dbPer100m}`).join(', ');

/** Reads what `lossText` writes; `null` where a part is not two figures above nothing. */
export function parseLoss(text: string): LossPoint[] | null {
  const points = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => /^([\d.]+)\s*(?:MHz)?\s*[:\s]\s*([\d.]+)\s*(?:dB)?$/i.exec(part))
    .map((told) => (told ? { mhz: Number(told[1]), dbPer100m: Number(told[2]) } : null));
  return points.length > 0 && points.every((point) => point !== null && point.mhz > 0 && point.dbPer100m > 0)
    ? (points as LossPoint[]).sort((a, b) => a.mhz - b.mhz)
    : null;
}
