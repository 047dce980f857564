import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pixelsPerMetre, purposeServed, sameViewFocalMm, sensorIds, viewDegrees, viewWidthM } from '.';

const sensor = fc.constantFrom(...sensorIds);
const focal = fc.double({ min: 1.5, max: 100, noNaN: true });

describe('the view of a lens', () => {
  // By a triangle drawn on paper: a 1/3 inch sensor is 4.8 mm wide; 2.4 / 4 is the tangent of 30.96 degrees.
  it('is 62 degrees for 4 mm on a 1/3 inch sensor', () =>
    expect(viewDegrees('1/3', 4)).toBeCloseTo(61.93, 2));
  it('is as wide as it is far away when the focal length is the sensor’s width', () =>
    expect(viewWidthM('1/3', 4.8, 17)).toBeCloseTo(17, 9));
  it('gives 704 pixels over 12 m of wall 59 pixels a metre', () => {
    const perMetre = pixelsPerMetre(704, '1/3', 4, 10);
    expect(perMetre).toBeCloseTo(58.67, 2);
    expect(purposeServed(perMetre)?.id).toBe('detect');
  });
  it('angle and width tell the same story', () => {
    fc.assert(
      fc.property(sensor, focal, fc.double({ min: 1, max: 500, noNaN: true }), (size, mm, distanceM) => {
        const half = (viewDegrees(size, mm) / 2) * (Math.PI / 180);
        expect(2 * distanceM * Math.tan(half)).toBeCloseTo(viewWidthM(size, mm, distanceM), 6);
      }),
    );
  });
  it('stays when the sensor changes and the lens is scaled with it', () => {
    fc.assert(
      fc.property(sensor, sensor, focal, (from, to, mm) => {
        expect(viewDegrees(to, sameViewFocalMm(from, mm, to))).toBeCloseTo(viewDegrees(from, mm), 9);
      }),
    );
  });
  it.each([
    [1200, 'inspect'],
    [250, 'identify'],
    [249, 'recognise'],
    [70, 'observe'],
    [25, 'detect'],
    [13, 'monitor'],
  ])('%d pixels a metre are enough to %s', (perMetre, id) => expect(purposeServed(perMetre)?.id).toBe(id));
  it('fewer than 12.5 serve nothing', () => expect(purposeServed(12)).toBeUndefined());
});
