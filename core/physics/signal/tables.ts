import type { LinkConverter, PictureFormat, Tables } from './tableSchemas';
import figures from './typicalFigures.json';

const tables = figures as Tables;

/** Picture formats from the least to the most demanding of bandwidth. HD-SDI: SMPTE ST 292-1, 20 dB at half its clock. */
export const pictureFormats: PictureFormat[] = tables.formats;
export const linkConverters: LinkConverter[] = tables.linkConverters;

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
