import { describe, expect, it } from 'vitest';
import { pixelsMarked } from '.';

describe('pixels of a metre that was marked', () => {
  it('are the part of the width that it takes, of the camera’s own pixels', () => {
    // 60 by 80 pixels of a photo 1000 wide are a tenth of it: 192 of 1920.
    const metre = { a: { x: 100, y: 100 }, b: { x: 160, y: 180 } };
    expect(pixelsMarked({ metre, widthPx: 1000 }, 1920)).toBeCloseTo(192, 9);
  });

  it('are not known while nobody has marked it', () => {
    expect(pixelsMarked({ widthPx: 1000 }, 1920)).toBeNull();
  });
});
