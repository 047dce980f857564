import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  allowedChannels,
  channelMHz,
  freeSpaceLossDb,
  fresnelRadiusM,
  heardText,
  noiseDbm,
  parseHeard,
  radioRegionIds,
  rankChannels,
  rateAtDb,
  receivedDbm,
  type RadioRegionId,
} from '.';
import { fibreLossDb, formatMegapixels } from '#core/physics/signal';

const heard = fc.array(
  fc.record({ channel: fc.integer({ min: 1, max: 13 }), levelDbm: fc.integer({ min: -95, max: -30 }) }),
  { maxLength: 20 },
);

describe('a radio path', () => {
  // 1 km at 2400 MHz by the wavelength: 20·log10(4π·1000/0.12491) = 100.05 dB.
  it('loses what free space takes', () => {
    expect(freeSpaceLossDb(1000, 2400)).toBeCloseTo(
      20 * Math.log10((4 * Math.PI * 1000) / (299.792458 / 2400)),
      1,
    );
    expect(freeSpaceLossDb(2000, 5500) - freeSpaceLossDb(1000, 5500)).toBeCloseTo(6.02, 2);
  });
  // By the wavelength: √(λ·d1·d2/d).
  it('needs room by its wavelength, most of it half way', () => {
    const lambdaM = 299.792458 / 5500;
    expect(fresnelRadiusM(240, 240, 5500)).toBeCloseTo(Math.sqrt((lambdaM * 240 * 240) / 480), 2);
    fc.assert(
      fc.property(fc.double({ min: 1, max: 479, noNaN: true }), (d1) => {
        expect(fresnelRadiusM(d1, 480 - d1, 5500)).toBeLessThanOrEqual(fresnelRadiusM(240, 240, 5500) + 1e-9);
      }),
    );
  });
  it('is weaker through trees, and nothing behind a wall', () => {
    const radio = { eirpDbm: 27, gainDbi: 14 };
    const at = (sight: 'clear' | 'partly' | 'blocked') =>
      rateAtDb(receivedDbm(radio, { distanceM: 480, sight }, 5500) - noiseDbm);
    expect([at('clear'), at('blocked')]).toEqual([36, expect.any(Number)]);
    expect(at('blocked')).toBeLessThan(at('clear'));
  });
  it('carries no more the weaker it is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (db, less) => {
          expect(rateAtDb(db - less)).toBeLessThanOrEqual(rateAtDb(db));
        },
      ),
    );
  });
});

describe('channels', () => {
  it('lie where the standard puts them', () =>
    expect([1, 6, 13, 14, 36, 100].map(channelMHz)).toEqual([2412, 2437, 2472, 2484, 5180, 5500]));
  it('are ranked quietest first, and every neighbour only adds', () => {
    fc.assert(
      fc.property(
        heard,
        fc.record({ channel: fc.integer({ min: 1, max: 13 }), levelDbm: fc.integer({ min: -95, max: -30 }) }),
        (all, one) => {
          const ranked = rankChannels('2.4', [all]);
          expect(ranked.map(({ floorDbm }) => floorDbm)).toEqual(
            ranked.map(({ floorDbm }) => floorDbm).sort((a, b) => a - b),
          );
          const more = new Map(
            rankChannels('2.4', [[...all, one]]).map(({ channel, floorDbm }) => [channel, floorDbm]),
          );
          for (const { channel, floorDbm } of ranked)
            expect(more.get(channel)!).toBeGreaterThanOrEqual(floorDbm - 1e-9);
        },
      ),
    );
  });
  it('an empty band is as quiet as the receiver', () =>
    expect(rankChannels('5', [])[0]).toMatchObject({
      channel: 100,
      floorDbm: expect.closeTo(noiseDbm, 9) as number,
      neighbours: 0,
    }));
  it('a wide neighbour brings the share of its power that lies in the channel', () => {
    // By hand: 80 MHz around channel 106 (5530) cover all of channel 104's 20: a quarter of −60 dBm is −66.
    const [wide] = rankChannels('5', [[{ channel: 106, levelDbm: -60, widthMHz: 80 }]]).filter(
      ({ channel }) => channel === 104,
    );
    expect(wide!.floorDbm).toBeCloseTo(10 * Math.log10(10 ** (noiseDbm / 10) + 10 ** -6 / 4), 6);
  });
  it('the end that hears more decides', () => {
    const loud = [{ channel: 100, levelDbm: -50 }];
    for (const ends of [
      [loud, []],
      [[], loud],
    ])
      expect(rankChannels('5', ends).find(({ channel }) => channel === 100)).toMatchObject({ neighbours: 1 });
  });
  it('a region has its own channels and power, and an unknown one only what all allow', () => {
    const of = (region?: RadioRegionId) => allowedChannels('5', region).map(({ channel }) => channel);
    expect(of('north-america')).toContain(149);
    expect(of('europe')).not.toContain(149);
    for (const channel of of()) for (const region of radioRegionIds) expect(of(region)).toContain(channel);
    // Where more power may be sent, a channel without radar stands above a quieter one for a strong radio.
    expect(rankChannels('5', [], { region: 'north-america', eirpDbm: 36 })[0]).toMatchObject({
      channel: 149,
      radarWaitS: 0,
    });
    expect(allowedChannels('5', 'europe').find(({ channel }) => channel === 124)!.radarWaitS).toBe(600);
  });
  it('what was heard is read as it is jotted down', () => {
    fc.assert(
      fc.property(heard, (all) => {
        expect(parseHeard(heardText(all))).toEqual(all);
      }),
    );
    expect(parseHeard('36/80 -71')).toEqual([{ channel: 36, levelDbm: -71, widthMHz: 80 }]);
    expect(parseHeard('36/30 -71')).toBeNull();
    expect(parseHeard('6 -48; 36: 71 dBm')).toEqual([
      { channel: 6, levelDbm: -48 },
      { channel: 36, levelDbm: -71 },
    ]);
    expect([parseHeard('6'), parseHeard('300 -40'), parseHeard('six -40')]).toEqual([null, null, null]);
  });
});

describe('light and pixels', () => {
  it('a kilometre of fibre loses four decibels with its ends at the most that is accepted', () =>
    expect(fibreLossDb(1000)).toBeCloseTo(0.5 + 2 * 0.3 + 4 * 0.75, 9));
  it('a format has its megapixels, one that is not known the fewest', () =>
    expect(['hd4mp', 'hd1080', 'cvbs', 'other'].map(formatMegapixels)).toEqual([4, 2, 0.4, 0.4]));
});
