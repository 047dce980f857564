declare module 'fft.js' {
  /** A Fourier transform of a size that is a power of two. Complex arrays hold real and imaginary parts in turn. */
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    realTransform(output: number[], input: number[]): void;
    completeSpectrum(spectrum: number[]): void;
    inverseTransform(output: number[], input: number[]): void;
  }
}
