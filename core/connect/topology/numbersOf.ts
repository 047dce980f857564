import type { CameraEnd } from './types';

/** The numbers of cameras, in their order. */
export const numbersOf = (cameras: readonly CameraEnd[]): number[] => cameras.map(({ number }) => number);
