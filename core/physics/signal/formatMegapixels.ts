/** Megapixels of a picture by its format. Composite has 704 by 576 that are seen. */
const megapixels: Record<string, number> = {
  cvbs: 0.4,
  cvbs960: 0.5,
  hdsdi: 2,
  hd720: 0.9,
  hd1080: 2,
  hd4mp: 4,
  hd5mp: 5,
  hd8mp: 8,
};

/** Megapixels that a format sends; the least there is for one that is not known. */
export const formatMegapixels = (formatId: string): number => megapixels[formatId] ?? megapixels['cvbs']!;
