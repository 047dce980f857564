import { describe, expect, it } from 'vitest';
import { pictureFormats, speaksAlike, takesPicture } from '.';

describe('schemes of HD over coax', () => {
  it.each([
    [['a'], ['a'], 'yes'],
    [['a', 'b'], ['b'], 'yes'],
    [['a', 'b'], ['c'], 'no'],
    [undefined, ['a'], 'unknown'],
    [['a'], undefined, 'unknown'],
  ] as const)('inputs of %j and a camera of %j: %s', (taken, sent, answer) => {
    const inputs = { accepts: ['hd1080'], schemes: taken };
    expect(speaksAlike(inputs, { format: 'hd1080', schemes: sent })).toBe(answer);
    expect(takesPicture(inputs, { format: 'hd1080', schemes: sent })).toBe(answer !== 'no');
  });
  it('do not matter to composite or HD-SDI', () => {
    for (const format of ['cvbs', 'cvbs960', 'hdsdi'])
      expect(speaksAlike({ accepts: [format], schemes: ['a'] }, { format, schemes: ['b'] })).toBe('yes');
  });
  it('HD-SDI is lost at a length that analog HD still crosses', () => {
    // By hand, 100 m of RG-59: √742.5 + 0.0045 · 742.5 = 30.6 dB of 20.
    const sdi = pictureFormats.find(({ id }) => id === 'hdsdi')!;
    expect(Math.sqrt(sdi.topMHz) + 0.0045 * sdi.topMHz).toBeGreaterThan(sdi.limitDb);
  });
});
