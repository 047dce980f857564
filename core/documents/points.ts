/** Millimetres in the points that pages are laid out in. */
export const points = (mm: number): number => (mm * 72) / 25.4;
