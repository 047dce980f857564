import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../site/testSite';
import { recorderOf, viewFigures } from '.';

const camera = {
  lens: { sensor: '1/3' as const, focalMm: 4.8 },
  targetM: 10,
  format: 'cvbs',
  target: 'fixed-4mp' as const,
};

describe('what a camera sees of its target', () => {
  // A lens as long as its sensor is wide sees as wide as it is far: 10 m at 10 m.
  it('is told before and after the change', () => {
    expect(viewFigures(camera)?.atTarget).toMatchObject({
      widthM: expect.closeTo(10, 9) as number,
      now: { perMetre: expect.closeTo(70.4, 9) as number, purpose: 'observe what is done' },
      after: { perMetre: expect.closeTo(256, 9) as number, purpose: 'identify a stranger' },
    });
  });
  it('is an angle alone where nobody knows how far the target is, and nothing without a lens', () => {
    const { targetM: _, ...farAway } = camera;
    expect(viewFigures(farAway)).toEqual({ degrees: expect.closeTo(53.13, 2) as number, atTarget: null });
    const { lens: _lens, ...bare } = camera;
    expect(viewFigures(bare)).toBeNull();
  });
  it('is seen now as the recorder keeps it, never better than it is sent', () => {
    const now = (storesAcross: number) => viewFigures(camera, { storesAcross })!.atTarget!.now.perMetre;
    expect(now(352)).toBeCloseTo(35.2, 9);
    expect(now(1920)).toBeCloseTo(70.4, 9);
    const site = saltmarrowSite();
    expect(recorderOf(site, 'c01')!.id).toBe(site.run['r01']!.patchedTo!.recorderId);
  });
  it('too few pixels serve nothing', () =>
    expect(viewFigures({ ...camera, targetM: 100 })?.atTarget?.now.purpose).toBeNull());
});
