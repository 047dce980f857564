import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { settingsOf, streamRate, workedOutMbps } from '#core/model/streams';
import { storageOf, waysOut, type Kept, type Streaming } from '.';

const camera = { megapixels: 4, mbps: 6 };
const always = { kind: 'always' } as const;
const kept = (mbps: number, over: Partial<Kept> = {}): Kept => ({
  cameraId: `c${mbps}`,
  mbps,
  keeping: always,
  keepDays: 30,
  ...over,
});

describe('the rate of a stream', () => {
  it('is what the class sends until somebody says how it is set', () =>
    expect(streamRate(camera, undefined, {})).toEqual({ mainMbps: 6, subMbps: 0, from: 'class' }));
  it('is megapixels × frames × bits a pixel: 4 MP at 15 frames of H.264 are 6 Mb/s, of H.265 3.6', () => {
    expect(streamRate(camera, { id: 'c', framesPerSecond: 15 }, {})).toEqual({
      mainMbps: expect.closeTo(6),
      subMbps: 0,
      from: 'worked-out',
    });
    expect(streamRate(camera, undefined, { codec: 'h265' }).mainMbps).toBeCloseTo(3.6);
    expect(
      streamRate(camera, { id: 'c', activity: 'busy' }, { codec: 'h265', framesPerSecond: 10 }).mainMbps,
    ).toBeCloseTo(4.4);
  });
  it('is the data sheet’s where there is one, with the sub stream beside it', () =>
    expect(streamRate(camera, { id: 'c', mainMbps: 9, subMbps: 0.5, framesPerSecond: 5 }, {})).toEqual({
      mainMbps: 9,
      subMbps: 0.5,
      from: 'data-sheet',
    }));
  it('a camera’s own setting goes before the site’s', () =>
    expect(settingsOf({ keepDays: 7 }, { keepDays: 90, codec: 'h265' })).toMatchObject({
      keepDays: 7,
      codec: 'h265',
      framesPerSecond: 15,
    }));
});

describe('days on the disks', () => {
  it('4 Mb/s fill 43.2 GB a day: 30 days want 1.296 TB', () => {
    const { wantTb, days, shortTb } = storageOf([kept(4)], [1]);
    expect([wantTb, days, shortTb]).toEqual([
      expect.closeTo(1.296),
      expect.closeTo(930 / 43.2),
      expect.closeTo(0.366),
    ]);
  });
  it('motion and hours keep their share of the day', () => {
    expect(storageOf([kept(4, { keeping: { kind: 'motion', sharePercent: 25 } })], [4]).wantTb).toBeCloseTo(
      0.324,
    );
    expect(storageOf([kept(4, { keeping: { kind: 'hours', hours: 12 } })], [4]).wantTb).toBeCloseTo(0.648);
  });
  it('a camera that is asked for a week leaves the rest to the others', () => {
    // 2 TB × 0.93 = 1.86 TB; a week of 4 Mb/s is 0.3024, so the other has 1.5576 TB at 43.2 GB a day.
    const { days, perCamera } = storageOf(
      [
        { ...kept(4, { keepDays: 7 }), cameraId: 'short' },
        { ...kept(4, { keepDays: 90 }), cameraId: 'long' },
      ],
      [2],
    );
    expect(days).toBeCloseTo(1557.6 / 43.2);
    expect(perCamera.map((one) => Math.round(one.days * 10) / 10)).toEqual([7, 36.1]);
  });
  it('nothing kept asks for nothing', () =>
    expect(storageOf([], [])).toEqual({ haveTb: 0, wantTb: 0, shortTb: 0, days: null, perCamera: [] }));
  it('what is kept for the days that fit never takes more than there is, and all of it unless every wish is met', () => {
    const one = fc.record({
      mbps: fc.double({ min: 0.5, max: 12, noNaN: true }),
      keepDays: fc.integer({ min: 1, max: 120 }),
    });
    fc.assert(
      fc.property(
        fc.array(one, { minLength: 1, maxLength: 16 }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        (all, disk) => {
          const { perCamera, haveTb, shortTb } = storageOf(
            all.map((each, k) => ({ ...kept(each.mbps, { keepDays: each.keepDays }), cameraId: `c${k}` })),
            [disk],
          );
          const usedTb = perCamera.reduce(
            (sum, { gigabytesADay, days }) => sum + (gigabytesADay * days) / 1000,
            0,
          );
          expect(usedTb).toBeLessThanOrEqual(haveTb * (1 + 1e-9) + 1e-9);
          if (shortTb > 1e-6) expect(usedTb).toBeCloseTo(haveTb, 6);
          else expect(perCamera.every(({ days, wantDays }) => Math.abs(days - wantDays) < 1e-6)).toBe(true);
        },
      ),
    );
  });
});

describe('ways out of a shortfall', () => {
  const streaming = (mbps: number, framesPerSecond: number, codec: 'h264' | 'h265' = 'h264'): Streaming => ({
    ...kept(mbps),
    megapixels: 4,
    from: 'class',
    settings: { framesPerSecond, codec, activity: 'usual', keeping: always, keepDays: 30 },
  });
  it('names the most frames that fit, the newer codec, the days and the disks with their price', () => {
    // Four times 6 Mb/s for 30 days are 7.776 TB; 5.58 TB are there.
    const all = Array.from({ length: 4 }, () => streaming(6, 15));
    expect(waysOut(all, [6], { terabytes: 2, each: 80 })).toEqual([
      { kind: 'frames', framesPerSecond: 10, cost: 0 },
      { kind: 'codec', codec: 'h265', cost: 0 },
      { kind: 'days', days: 21, cost: 0 },
      { kind: 'disks', count: 2, terabytes: 2, cost: 160 },
    ]);
  });
  it('names none where nothing is short, and no codec that is in use already', () => {
    expect(waysOut([streaming(1, 15)], [6], null)).toEqual([]);
    expect(
      waysOut([streaming(9, 15, 'h265')], [2.5], { terabytes: 4, each: null }).map(({ kind }) => kind),
    ).toEqual(['frames', 'days', 'disks']);
  });
  it('what it says is enough is enough', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 10 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 12 }),
        (rates, disk) => {
          const all = rates.map((mbps) => streaming(mbps, 15));
          for (const way of waysOut(all, [disk], { terabytes: 2, each: 80 })) {
            if (way.kind === 'disks')
              expect(
                storageOf(all, [disk, ...Array.from({ length: way.count }, () => 2)]).shortTb,
              ).toBeLessThan(1e-9);
            if (way.kind === 'days')
              expect(
                storageOf(
                  all.map((one) => ({ ...one, keepDays: Math.min(one.keepDays, way.days) })),
                  [disk],
                ).shortTb,
              ).toBeLessThan(1e-9);
            if (way.kind === 'frames')
              expect(
                storageOf(
                  all.map((one) => ({
                    ...one,
                    mbps:
                      one.mbps *
                      Math.min(
                        1,
                        workedOutMbps(4, { ...one.settings, framesPerSecond: way.framesPerSecond }) /
                          workedOutMbps(4, one.settings),
                      ),
                  })),
                  [disk],
                ).shortTb,
              ).toBeLessThan(1e-9);
          }
        },
      ),
    );
  });
});
