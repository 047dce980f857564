import { z } from 'zod';
import figures from './typicalFigures.json';

const formatSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  topMHz: z.number().positive(),
  cleanDb: z.number().positive(),
  limitDb: z.number().positive(),
  family: z.enum(['composite', 'analog-hd', 'sdi']),
});
export type PictureFormat = z.infer<typeof formatSchema>;

const converterSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  lowMHz: z.number().positive(),
  highMHz: z.number().positive(),
  carrierKHz: z.number().positive(),
  txDbmHz: z.number(),
  noiseDbmHz: z.number(),
  gapDb: z.number(),
  maxBits: z.int().min(1).max(16),
  efficiency: z.number().gt(0).max(1),
  portCapMbps: z.number().positive(),
  passesPoe: z.boolean(),
  ownWatts: z.number().nonnegative(),
  minInputVolts: z.number().positive(),
});
export type LinkConverter = z.infer<typeof converterSchema>;

/** Picture formats from the least to the most demanding of bandwidth. HD-SDI: SMPTE ST 292-1, 20 dB at half its clock. */
export const pictureFormats: PictureFormat[] = z.array(formatSchema).parse(figures.formats);
export const linkConverters: LinkConverter[] = z.array(converterSchema).parse(figures.linkConverters);

export const pictureFormatIds = pictureFormats.map((format) => format.id);
export const linkConverterIds = linkConverters.map((converter) => converter.id);

/** The picture format with this id. Throws on an id that no schema would have let through. */
export function pictureFormat(id: string): PictureFormat {
  const format = pictureFormats.find((row) => row.id === id);
  if (!format) throw new Error(`unknown picture format ${id}`);
  return format;
}

/** The converter with this id. Throws on an id that no schema would have let through. */
export function linkConverter(id: string): LinkConverter {
  const converter = linkConverters.find((row) => row.id === id);
  if (!converter) throw new Error(`unknown converter ${id}`);
  return converter;
}
