import sharp from 'sharp';
import { counted } from '#core/shared/labels';
import type { PictureType } from '#core/model/site';
import { isBare } from './barePicture';
import { cleanSvg } from './cleanSvg';
import { heicPixels } from './heicPixels';

export type PictureUse = 'drawing' | 'photo';

/** A picture as it will be kept: nothing in it but what is seen. */
export interface TakenPicture {
  bytes: Buffer;
  mediaType: PictureType;
  widthPx: number;
  heightPx: number;
  remarks: string[];
}
export type Taken = { kind: 'taken'; picture: TakenPicture } | { kind: 'refused'; why: string };

/** The largest upload, by what it is for. */
export const mostBytes: Record<PictureUse, number> = { drawing: 40_000_000, photo: 20_000_000 };

/** What is kept at most: a drawing so that a phone can still show it, a photo so that a label in it can be read. */
const mostPixels = 16_000_000;
const longestPhotoPx = 2400;
/** Above this a picture is not even decoded. */
const mostDecodedPixels = 160_000_000;

const refused = (why: string): { kind: 'refused'; why: string } => ({ kind: 'refused', why });

type Raster = 'image/png' | 'image/jpeg';

/** The type of a picture by what is in it; its name and what the sender said do not count. */
export function typeByContent(bytes: Buffer): PictureType | 'image/heic' | null {
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return 'image/png';
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg';
  if (/^ftyp(heic|heix|mif1|hevc)/.test(bytes.subarray(4, 12).toString('latin1'))) return 'image/heic';
  const start = bytes
    .subarray(0, 4096)
    .toString('utf8')
    .replace(/^\ufeff/, '')
    .trimStart();
  return start.startsWith('<') && /<(\w+:)?svg[\s>]/i.test(bytes.subarray(0, 200_000).toString('utf8'))
    ? 'image/svg+xml'
    : null;
}

const embedded = /data:(image\/(?:png|jpeg));base64,([a-z0-9+/=\s]+)/gi;

/** One clear pixel, in place of a picture that cannot be read. */
const clearPixel =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==';

/** A picture within a drawing as it may stay; none where it cannot be read. */
async function bareDataUrl(base64: string): Promise<string | null> {
  const bytes = Buffer.from(base64, 'base64');
  const type = typeByContent(bytes);
  if (type !== 'image/png' && type !== 'image/jpeg') return null;
  const taken = await bareOf(bytes, type);
  return taken.kind === 'refused'
    ? null
    : `data:${taken.picture.mediaType};base64,${taken.picture.bytes.toString('base64')}`;
}

/** A drawing with the pictures in it drawn anew where there is anything beside their pixels, and how many could not be read. */
async function withBarePictures(svg: string): Promise<{ svg: string; unread: number }> {
  const parts: string[] = [];
  let [at, unread] = [0, 0];
  for (const found of svg.matchAll(embedded)) {
    const url = found[0] === clearPixel ? clearPixel : await bareDataUrl(found[2]!);
    if (url === null) unread += 1;
    parts.push(svg.slice(at, found.index), url ?? clearPixel);
    at = found.index + found[0].length;
  }
  return { svg: [...parts, svg.slice(at)].join(''), unread };
}

async function takeSvg(bytes: Buffer): Promise<Taken> {
  const clean = cleanSvg(bytes.toString('utf8'));
  if (clean.kind === 'refused') return clean;
  const bare = await withBarePictures(clean.svg);
  const remarks =
    clean.leftOut.length > 0
      ? [`Left out of the drawing, because it could run or load something: ${clean.leftOut.join(', ')}.`]
      : [];
  if (bare.unread > 0)
    remarks.push(
      `Left out of the drawing, because it cannot be read: ${counted(bare.unread, 'picture')} in it.`,
    );
  return {
    kind: 'taken',
    picture: {
      bytes: Buffer.from(bare.svg, 'utf8'),
      mediaType: 'image/svg+xml',
      widthPx: clean.widthPx,
      heightPx: clean.heightPx,
      remarks,
    },
  };
}

/** Drawn anew from its pixels, upright: what a camera wrote beside them, its location first, is gone. */
async function takeRaster(bytes: Buffer, mediaType: Raster, use: PictureUse): Promise<Taken> {
  try {
    const image = sharp(bytes, { limitInputPixels: mostDecodedPixels, failOn: 'error' }).autoOrient();
    const {
      autoOrient: { width, height },
    } = await image.metadata();
    const shrink = Math.min(
      1,
      use === 'photo' ? longestPhotoPx / Math.max(width, height) : Math.sqrt(mostPixels / (width * height)),
    );
    if (shrink < 1)
      image.resize({ width: Math.floor(width * shrink), height: Math.floor(height * shrink), fit: 'fill' });
    const keepsPng = mediaType === 'image/png' && use === 'drawing';
    const { data, info } = await (
      keepsPng
        ? image.png({ compressionLevel: 9 })
        : image.flatten({ background: '#ffffff' }).jpeg({ quality: 84 })
    ).toBuffer({ resolveWithObject: true });
    const remarks =
      shrink < 1 && use === 'drawing'
        ? [
            `The picture has ${((width * height) / 1e6).toFixed(0)} megapixels; it was made smaller, to ${info.width} by ${info.height}, so that a phone can show it.`,
          ]
        : [];
    return {
      kind: 'taken',
      picture: {
        bytes: data,
        mediaType: keepsPng ? 'image/png' : 'image/jpeg',
        widthPx: info.width,
        heightPx: info.height,
        remarks,
      },
    };
  } catch (error) {
    const tooLarge = /pixel limit/i.test((error as Error).message);
    return refused(
      tooLarge
        ? `The picture has more than ${mostDecodedPixels / 1e6} megapixels. Scale it down first.`
        : 'The picture is damaged or cut short. Save it again and choose it anew.',
    );
  }
}

/** A phone's HEIC photo as a JPEG, which every browser shows. */
async function takeHeic(bytes: Buffer, use: PictureUse): Promise<Taken> {
  const pixels = await heicPixels(bytes);
  if (pixels.kind === 'refused') return pixels;
  const { widthPx: width, heightPx: height, rgba } = pixels;
  const jpeg = await sharp(rgba, { raw: { width, height, channels: 4 } })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 95 })
    .toBuffer();
  return takeRaster(jpeg, 'image/jpeg', use);
}

/** Takes in a picture from outside for a drawing or a photo, or says why not. */
export async function takePicture(bytes: Buffer, use: PictureUse): Promise<Taken> {
  if (bytes.length === 0) return refused('The file is empty.');
  const type = typeByContent(bytes);
  if (type === 'image/heic') return takeHeic(bytes, use);
  if (type === null || (use === 'photo' && type === 'image/svg+xml'))
    return refused(
      use === 'photo'
        ? 'A photo is a JPEG, PNG or HEIC file; this is none of them.'
        : 'A drawing is a PNG, JPEG or SVG file, or a page of a PDF picked in Survey; this is none of them. Export a CAD drawing as one.',
    );
  return type === 'image/svg+xml' ? takeSvg(bytes) : takeRaster(bytes, type, use);
}

/** A picture that has nothing beside its pixels stays as it is, to the byte, once every pixel of it was read; any other is drawn anew. */
async function bareOf(bytes: Buffer, type: Raster): Promise<Taken> {
  if (!isBare(bytes, type)) return takeRaster(bytes, type, 'drawing');
  try {
    const image = sharp(bytes, { limitInputPixels: mostDecodedPixels, failOn: 'error' });
    const { width, height } = await image.metadata();
    if (width * height > mostPixels) return await takeRaster(bytes, type, 'drawing');
    await image.stats();
    return {
      kind: 'taken',
      picture: { bytes, mediaType: type, widthPx: width, heightPx: height, remarks: [] },
    };
  } catch {
    return refused('A picture in it is damaged or cut short.');
  }
}

/** A picture out of a site file, which may be anybody's: looked at as one that is uploaded, and kept to the byte if it was drawn by Neotrope. */
export function reimportPicture(bytes: Buffer): Promise<Taken> {
  const type = typeByContent(bytes);
  return type === 'image/png' || type === 'image/jpeg' ? bareOf(bytes, type) : takePicture(bytes, 'drawing');
}
