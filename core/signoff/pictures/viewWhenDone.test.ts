import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { pixelsMarked, viewWhenDone } from '.';

const site = saltmarrowSite();
const camera = site.camera['c03']!;
const hall = { ...site.recorder['hall-recorder']!, storesAcross: 352 };
const placed = {
  ...site,
  recorder: { [hall.id]: hall },
  placement: { c03: { id: 'c03', recorderId: hall.id, slot: 3 } as (typeof site.placement)[string] },
};

describe('a view when all is done', () => {
  it('is of a camera that stays no finer than its recorder keeps it, and of a new one what that sends', () => {
    const kept = viewWhenDone(placed, camera, 'keep')!;
    expect(kept.acrossPixels).toBeCloseTo(352, 6);
    expect(viewWhenDone(placed, camera, 'ip-coax-unit')!.perMetre).toBeGreaterThan(2 * kept.perMetre);
  });
  it('gives a metre that is marked as wide as it is predicted the pixels that are predicted', () => {
    const { perMetre, acrossPixels } = viewWhenDone(placed, camera, 'ip-coax-unit')!;
    const metre = { a: { x: 0, y: 0 }, b: { x: (1000 * perMetre) / acrossPixels, y: 0 } };
    expect(pixelsMarked({ metre, widthPx: 1000 }, acrossPixels)).toBeCloseTo(perMetre, 6);
  });
  it('is not known without a lens', () => {
    const { lens: _lens, ...blind } = camera;
    expect(viewWhenDone(placed, blind, 'keep')).toBeNull();
  });
});
