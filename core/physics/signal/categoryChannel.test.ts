import { describe, expect, it } from 'vitest';
import { categoryChannel, longestChannelM, longestLinkM } from '.';

const cable = 'pair-cat6';

describe('a channel of category cable', () => {
  it.each([
    [-10, 90],
    [20, 90],
    [30, 87],
    [40, 84],
    [45, 81.75],
    [50, 79.5],
    [60, 75],
    [70, 70.5],
  ])('at %d °C takes %d m of fixed cable', (temperatureC, metres) =>
    expect(longestLinkM(temperatureC)).toBeCloseTo(metres, 9),
  );
  it('never takes more when it is warmer', () => {
    for (let at = -20; at < 90; at += 1) expect(longestLinkM(at + 1)).toBeLessThanOrEqual(longestLinkM(at));
  });
  it('adds its cords, thin ones by half as much again', () => {
    // By hand: 90 m and 5 m of 26 AWG are 97.5 of 102; 90 m at 40 °C are 96.4 at 20, and 103.9 with the cords.
    expect(categoryChannel([{ cable, lengthM: 90, temperatureC: 20 }])).toEqual({
      fixedM: 90,
      channelM: 97.5,
    });
    const warm = categoryChannel([{ cable, lengthM: 90, temperatureC: 40 }]);
    expect(warm.channelM).toBeCloseTo((90 * 90) / 84 + 7.5, 9);
    expect(warm.channelM).toBeGreaterThan(longestChannelM);
  });
  it('counts each stretch by its own warmth', () => {
    const both = categoryChannel([
      { cable, lengthM: 40, temperatureC: 20 },
      { cable, lengthM: 40, temperatureC: 60 },
    ]);
    expect(both.fixedM).toBeCloseTo(40 + (40 * 90) / 75, 9);
  });
  it('counts cable that loses more than Ethernet is made for as longer', () => {
    // By hand, 100 m at 100 MHz: thin Cat 5e 29.5 + 3.45 + 0.0075 = 32.96 dB, clad 23.6 + 2.8 + 0.005 = 26.4, of 22.
    const fixedM = (other: string) =>
      categoryChannel([{ cable: other, lengthM: 60, temperatureC: 20 }]).fixedM;
    expect(fixedM('pair-cat5')).toBeCloseTo(60, 9);
    expect(fixedM('pair-cat5e-26')).toBeCloseTo((60 * 32.9575) / 22, 3);
    expect(fixedM('pair-cat5e-cca')).toBeCloseTo((60 * 26.405) / 22, 3);
  });
  it('lets a screened cable be longer where it is warm', () => {
    expect(longestLinkM(60, true)).toBeCloseTo(90 / 1.08, 9);
    expect(longestLinkM(20, true)).toBe(90);
  });
});
