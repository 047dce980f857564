import type Decode from 'heic-decode';

/** Fetched with the first such photo: a server starts without it. */
const decoder = async (): Promise<typeof Decode> => (await import('heic-decode')).default;

/** A phone's sensor has 48 megapixels; more would need more memory than a thread is given. */
const mostMegapixels = 50;

export type HeicPixels =
  { kind: 'pixels'; widthPx: number; heightPx: number; rgba: Uint8Array } | { kind: 'refused'; why: string };

const refused = (why: string): HeicPixels => ({ kind: 'refused', why });

/** The pixels of a phone's HEIC photo, upright; its size is looked at before anything of it is decoded. */
export async function heicPixels(bytes: Uint8Array): Promise<HeicPixels> {
  let images: Awaited<ReturnType<typeof Decode.all>>;
  try {
    images = await (await decoder()).all({ buffer: bytes });
  } catch {
    return refused('The HEIC photo is damaged or cut short. Save it again and choose it anew.');
  }
  try {
    const [first] = images;
    if (!first) return refused('There is no picture in this HEIC file.');
    const megapixels = (first.width * first.height) / 1e6;
    if (megapixels > mostMegapixels)
      return refused(
        `The HEIC photo has ${megapixels.toFixed(0)} megapixels; up to ${mostMegapixels} are taken. Save it smaller, or as JPEG.`,
      );
    const { width, height, data } = await first.decode();
    return { kind: 'pixels', widthPx: width, heightPx: height, rgba: new Uint8Array(data.buffer) };
  } catch {
    return refused('The HEIC photo is damaged or cut short. Save it again and choose it anew.');
  } finally {
    images.dispose();
  }
}
