import { nextPowerOfTwo } from '#core/shared/numeric';
import { createRandom } from '#core/shared/random';
import FFT from 'fft.js';
import { pathLossDb, type Stretch } from '#core/physics/cable';
import type { PictureFormat } from '#core/physics/signal';
import { testBars, type Picture } from './scene';

/** What a line and its power do to a picture. Everything left out does nothing. */
export interface Effects {
  /** Cable that the picture has passed, and its format, whose top frequency is the finest detail that is sent. */
  cable?: { stretches: readonly Stretch[]; format: PictureFormat; extraDb?: number };
  /** An echo: how late in microseconds, and how large. */
  echo?: { delayUs: number; share: number };
  /** Mains hum or ripple: so many bars over the picture, how strong, and where they stand. */
  hum?: { bars: number; share: number; phase: number };
  /** Share of the lines that a bad contact spoils. */
  sparkles?: number;
  /** The receiver takes another format for granted: lines do not begin where it thinks, colour is gone. */
  torn?: number;
  /** The receiver takes another line standard for granted: share of the height by which the picture has run. */
  rolled?: number;
  /** Light that is left when the supply gives way, from 1 down to 0. */
  light?: number;
  /** The camera gets no farther than its own test bars. */
  barsOnly?: boolean;
}

/** Active part of a line in microseconds: 52 of the 64 of a composite line; formats of more lines share their width among finer detail. */
const compositeLineUs = 52;
const compositeTopMHz = 6;
export const activeLineUs = ({ topMHz }: Pick<PictureFormat, 'topMHz'>): number =>
  (compositeLineUs * compositeTopMHz) / topMHz;

/** A share of the picture's width in microseconds of its line, and the reverse. */
export const microsecondsOfLine = (format: Pick<PictureFormat, 'topMHz'>, percent: number): number =>
  (activeLineUs(format) * percent) / 100;
export const percentOfLine = (format: Pick<PictureFormat, 'topMHz'>, microseconds: number): number =>
  (100 * microseconds) / activeLineUs(format);

/** What is left of each harmonic of a line behind a cable, once the receiver has put the low frequencies right. */
function response(
  { stretches, format, extraDb = 0 }: NonNullable<Effects['cable']>,
  size: number,
  width: number,
): Float64Array {
  const lineUs = (activeLineUs(format) * size) / width;
  const lowDb = pathLossDb(stretches, 0.1);
  return Float64Array.from({ length: size / 2 + 1 }, (_, k) => {
    const megahertz = k / lineUs;
    const loss =
      Math.max(0, (megahertz > 0 ? pathLossDb(stretches, megahertz) : lowDb) - lowDb) +
      extraDb * Math.min(1, megahertz / format.topMHz);
    // Above the format's own top nothing was sent.
    const sent =
      megahertz <= format.topMHz
        ? 1
        : Math.exp(-(((megahertz - format.topMHz) / (0.2 * format.topMHz)) ** 2));
    return sent * 10 ** (-loss / 20);
  });
}

/** A filter over the lines of a picture, by their harmonics. */
function filtered(picture: Picture, cable: NonNullable<Effects['cable']>): Picture {
  const { width, height } = picture;
  const size = nextPowerOfTwo(width * 1.25);
  const fft = new FFT(size);
  const keeps = response(cable, size, width);
  const rgb = new Float32Array(picture.rgb.length);
  const line = new Array<number>(size).fill(0);
  const spectrum = fft.createComplexArray() as number[];
  const back = fft.createComplexArray() as number[];
  for (let row = 0; row < height * 3; row += 1) {
    const [y, channel] = [Math.floor(row / 3), row % 3];
    const at = (x: number): number => (y * width + x) * 3 + channel;
    // Mirrored over the blank part, so that the line's ends are no edge.
    for (let x = 0; x < size; x += 1)
      line[x] = picture.rgb[at(x < width ? x : Math.max(0, 2 * width - 1 - x))]!;
    fft.realTransform(spectrum, line);
    for (let k = 0; k <= size / 2; k += 1) {
      spectrum[2 * k] = spectrum[2 * k]! * keeps[k]!;
      spectrum[2 * k + 1] = spectrum[2 * k + 1]! * keeps[k]!;
    }
    fft.completeSpectrum(spectrum);
    fft.inverseTransform(back, spectrum);
    for (let x = 0; x < width; x += 1) rgb[at(x)] = back[2 * x]!;
  }
  return { width, height, rgb };
}

/** The picture again, later and fainter, laid over itself. */
function ghosted({ width, height, rgb }: Picture, shiftPx: number, share: number): Picture {
  const out = new Float32Array(rgb.length);
  const shift = Math.round(shiftPx);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const at = (y * width + x) * 3;
      const from = x - shift >= 0 ? at - shift * 3 : -1;
      for (let c = 0; c < 3; c += 1)
        out[at + c] = rgb[at + c]! + share * (from >= 0 ? rgb[from + c]! - 0.4 : 0);
    }
  }
  return { width, height, rgb: out };
}

function eachPoint(picture: Picture, change: (value: number, x: number, y: number) => number): Picture {
  const { width } = picture;
  return {
    ...picture,
    rgb: picture.rgb.map((value, k) => change(value, Math.floor(k / 3) % width, Math.floor(k / 3 / width))),
  };
}

/** Lines that begin late or early, each by another share of the width, and without their colour. */
function tornApart({ width, height, rgb }: Picture, share: number, random: () => number): Picture {
  const out = new Float32Array(rgb.length);
  let drift = 0;
  for (let y = 0; y < height; y += 1) {
    drift = drift * 0.92 + (random() - 0.5) * share * width * 0.5;
    for (let x = 0; x < width; x += 1) {
      const from = (y * width + ((x + Math.round(drift) + width) % width)) * 3;
      const grey = 0.3 * rgb[from]! + 0.59 * rgb[from + 1]! + 0.11 * rgb[from + 2]!;
      out.fill(grey, (y * width + x) * 3, (y * width + x) * 3 + 3);
    }
  }
  return { width, height, rgb: out };
}

/** The picture run down by a share of its height, with the blanking bar between its end and its beginning. */
function rolledBy({ width, height, rgb }: Picture, share: number): Picture {
  const out = new Float32Array(rgb.length);
  const barRows = Math.round(height * 0.08);
  const shift = Math.round(height * share);
  for (let y = 0; y < height; y += 1) {
    const from = (y - shift + height + barRows) % (height + barRows);
    if (from < height) out.set(rgb.subarray(from * width * 3, (from + 1) * width * 3), y * width * 3);
  }
  return { width, height, rgb: out };
}

/** Specks of light and lost bits of line, where a contact lets go for some microseconds. */
function sparkled({ width, height, rgb }: Picture, share: number, random: () => number): Picture {
  const out = Float32Array.from(rgb);
  for (let y = 0; y < height; y += 1) {
    if (random() > share) continue;
    const start = Math.floor(random() * width);
    const length = Math.floor(3 + random() * width * 0.12);
    const value = random() < 0.5 ? 1 : 0;
    out.fill(value, (y * width + start) * 3, (y * width + Math.min(width, start + length)) * 3);
  }
  return { width, height, rgb: out };
}

/** A scene as it comes out of a line: what the cable keeps of its detail, echoes, hum, bad contacts, a receiver set wrong, a supply that gives way. */
export function simulate(scene: Picture, effects: Effects, seed = 5): Picture {
  const random = createRandom(seed);
  const { cable, echo, hum, sparkles, torn, rolled, light = 1, barsOnly } = effects;
  let picture = barsOnly ? testBars(scene.width, scene.height) : scene;
  if (cable) picture = filtered(picture, cable);
  if (echo)
    picture = ghosted(
      picture,
      (echo.delayUs / (cable ? activeLineUs(cable.format) : compositeLineUs)) * scene.width,
      echo.share,
    );
  if (hum)
    picture = eachPoint(
      picture,
      (value, _, y) =>
        value + hum.share * Math.sin(2 * Math.PI * (hum.bars * (y / scene.height) + hum.phase)),
    );
  if (torn) picture = tornApart(picture, torn, random);
  if (rolled) picture = rolledBy(picture, rolled);
  if (sparkles) picture = sparkled(picture, sparkles, random);
  // A starving camera loses light first, and its own noise comes up.
  if (light < 1) picture = eachPoint(picture, (value) => value * light + (1 - light) * 0.12 * random());
  return picture;
}

/** Bytes as a canvas takes them, opaque. */
export function toRgba({ width, height, rgb }: Picture): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(new ArrayBuffer(width * height * 4));
  for (let k = 0; k < width * height; k += 1) {
    for (let c = 0; c < 3; c += 1) out[k * 4 + c] = rgb[k * 3 + c]! * 255;
    out[k * 4 + 3] = 255;
  }
  return out;
}
