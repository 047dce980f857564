import { describe, expect, it } from 'vitest';
import { categoryChannel, longestChannelM, longestLinkM } from '.';

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
    expect(categoryChannel([{ lengthM: 90, temperatureC: 20 }])).toEqual({ fixedM: 90, channelM: 97.5 });
    const warm = categoryChannel([{ lengthM: 90, temperatureC: 40 }]);
    expect(warm.channelM).toBeCloseTo((90 * 90) / 84 + 7.5, 9);
    expect(warm.channelM).toBeGreaterThan(longestChannelM);
  });
  it('counts each stretch by its own warmth', () => {
    const both = categoryChannel([
      { lengthM: 40, temperatureC: 20 },
      { lengthM: 40, temperatureC: 60 },
    ]);
    expect(both.fixedM).toBeCloseTo(40 + (40 * 90) / 75, 9);
  });
});
