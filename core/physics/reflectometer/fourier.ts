import FFT from 'fft.js';

/** Transforms by their size. Their tables take as long to make as a transform takes, and the same sizes are asked for again and again. */
const made = new Map<number, FFT>();

/** The Fourier transform of a size that is a power of two. */
export function fourier(size: number): FFT {
  let fft = made.get(size);
  if (!fft) {
    fft = new FFT(size);
    made.set(size, fft);
  }
  return fft;
}
