import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coaxCableIds, pathLossDb } from '#core/physics/cable';
import { linkConverter, linkRateMbps, pictureFormat, pictureFormats, pictureMargin } from '.';

const stretch = fc.record({
  cable: fc.constantFrom(...coaxCableIds),
  lengthM: fc.double({ min: 1, max: 900, noNaN: true }),
});
const path = fc.array(stretch, { minLength: 1, maxLength: 4 });

describe('pictureMargin', () => {
  it('a more demanding format never loses less', () => {
    fc.assert(
      fc.property(path, (stretches) => {
        const losses = pictureFormats.map((format) => pictureMargin(stretches, format).lossDb);
        expect(losses).toEqual([...losses].sort((a, b) => a - b));
      }),
    );
  });
  it('changes state exactly at the clean figure and at the limit', () => {
    const format = pictureFormat('hd1080');
    const short = [{ cable: 'coax-rg6-cu', lengthM: 0 }];
    expect([20, 20.01, 26, 26.01].map((db) => pictureMargin(short, format, db).state)).toEqual([
      'clean',
      'marginal',
      'marginal',
      'lost',
    ]);
  });
});

/** Bit loading written out as the formula stands, carrier by carrier. */
function rateByFormula(stretches: { cable: string; lengthM: number }[], extraLossDb: number): number {
  const c = linkConverter('link-ofdm');
  let bits = 0;
  for (let k = 0; k < Math.floor((c.highMHz - c.lowMHz) / (c.carrierKHz / 1000)); k += 1) {
    const snr =
      c.txDbmHz -
      c.noiseDbmHz -
      pathLossDb(stretches, c.lowMHz + (k + 0.5) * (c.carrierKHz / 1000)) -
      extraLossDb -
      c.gapDb;
    bits += Math.min(c.maxBits, Math.max(0, Math.floor(Math.log2(1 + 10 ** (snr / 10)))));
  }
  return Math.min(c.portCapMbps, c.efficiency * (c.carrierKHz / 1000) * bits);
}

describe('linkRateMbps', () => {
  const converter = linkConverter('link-ofdm');
  it('is the formula, carrier by carrier', () => {
    fc.assert(
      fc.property(path, fc.double({ min: 0, max: 20, noNaN: true }), (stretches, extra) => {
        expect(linkRateMbps(converter, stretches, extra)).toBeCloseTo(rateByFormula(stretches, extra), 1);
      }),
      { numRuns: 60 },
    );
  });
  it('falls with length and never below zero', () => {
    fc.assert(
      fc.property(path, stretch, (stretches, more) => {
        const longer = linkRateMbps(converter, [...stretches, more]);
        expect(longer).toBeLessThanOrEqual(linkRateMbps(converter, stretches));
        expect(longer).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});
