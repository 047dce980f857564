import { describe, expect, it } from 'vitest';
import { megapixelsFor, pixelsAcross, viewDegrees, viewWidthM, widthAcrossM } from '.';

describe('a wide view', () => {
  it('is as wide as the view of a lens of that angle', () =>
    expect(widthAcrossM(viewDegrees('1/2.8', 2.8), 12)).toBeCloseTo(viewWidthM('1/2.8', 2.8, 12), 9));
  it('takes in twice its distance at a right angle', () => expect(widthAcrossM(90, 7)).toBeCloseTo(14, 9));
  it.each([
    ['straight lines bent evenly', (half: number) => half],
    ['stereographic', (half: number) => 2 * Math.tan(half / 2)],
    ['of equal solid angle', (half: number) => 2 * Math.sin(half / 2)],
  ])('%s has nowhere fewer pixels a metre than is reckoned', (_, radius) => {
    for (let degrees = 10; degrees <= 120; degrees += 5) {
      const half = ((degrees / 2) * Math.PI) / 180;
      const pixels = 1920;
      const reckoned = pixels / widthAcrossM(degrees, 1);
      for (let at = 0; at <= half; at += half / 50) {
        const perRadian = ((radius(at + 1e-6) - radius(at)) / 1e-6 / radius(half)) * (pixels / 2);
        expect(perRadian).toBeGreaterThanOrEqual(reckoned * (1 - 1e-4));
      }
    }
  });
  it('has the pixels of the camera that is sold as no more', () => {
    expect([1, 2, 3, 4, 5, 8, 12].map(pixelsAcross)).toEqual([0, 1920, 1920, 2560, 2560, 3840, 3840]);
    expect([1, 1920, 1921, 3840, 3841].map(megapixelsFor)).toEqual([2, 2, 4, 8, null]);
  });
});
