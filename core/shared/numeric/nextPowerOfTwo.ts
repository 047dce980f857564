/** The least power of two that is at least so large. Fourier transforms take that many points. */
export const nextPowerOfTwo = (atLeast: number): number => 2 ** Math.ceil(Math.log2(atLeast));
