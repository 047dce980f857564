/** Chunks of a PNG that its pixels need; any other can carry words, places or programs. */
const pngChunks = new Set([
  'IHDR',
  'PLTE',
  'tRNS',
  'IDAT',
  'IEND',
  'pHYs',
  'gAMA',
  'sRGB',
  'cHRM',
  'sBIT',
  'bKGD',
]);
const pngHead = 8;

/** Whether a PNG is nothing but what its pixels need, to its last byte. */
function isBarePng(bytes: Buffer): boolean {
  let at = pngHead;
  while (at + 12 <= bytes.length) {
    const length = bytes.readUInt32BE(at);
    const name = bytes.toString('latin1', at + 4, at + 8);
    if (!pngChunks.has(name)) return false;
    at += 12 + length;
    if (name === 'IEND') return at === bytes.length;
  }
  return false;
}

/** The JFIF header, which says how dense the pixels are; no other application segment stays. */
const jfif = 0xe0;
const comment = 0xfe;
const [startOfScan, endOfImage] = [0xda, 0xd9];
const isApplication = (marker: number): boolean => marker >= 0xe1 && marker <= 0xef;
/** In pixels: a byte that is stuffed, or a restart, which goes on. */
const goesOn = (marker: number): boolean => marker === 0 || (marker >= 0xd0 && marker <= 0xd7);

/** Whether a JPEG is nothing but what its pixels need, to its last byte. */
function isBareJpeg(bytes: Buffer): boolean {
  let at = 2;
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return false;
    const marker = bytes[at + 1]!;
    if (marker === endOfImage) return false;
    if (marker === comment || isApplication(marker)) return false;
    if (marker === jfif && bytes.toString('latin1', at + 4, at + 8) !== 'JFIF') return false;
    at += 2 + bytes.readUInt16BE(at + 2);
    if (marker !== startOfScan) continue;
    for (; at + 2 <= bytes.length; at += 1) {
      if (bytes[at] !== 0xff || goesOn(bytes[at + 1]!)) continue;
      if (bytes[at + 1] === endOfImage) return at + 2 === bytes.length;
      // Another scan of a picture that comes in several.
      break;
    }
  }
  return false;
}

/** Whether a picture has nothing beside its pixels: no words, no place, nothing behind its end. */
export const isBare = (bytes: Buffer, type: 'image/png' | 'image/jpeg'): boolean =>
  type === 'image/png' ? isBarePng(bytes) : isBareJpeg(bytes);
