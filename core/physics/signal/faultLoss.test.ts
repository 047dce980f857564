import { describe, expect, it } from 'vitest';
import { shuntLossDb, tapLossDb, tapNotchDb } from './faultLoss';

/** What a lossless open branch lets through at one frequency, by its admittance across a matched line: T = 2/(2 + y). */
function passed(megahertz: number, thereAndBackNs: number): number {
  const susceptance = Math.tan(Math.PI * megahertz * 1e-3 * thereAndBackNs);
  return 4 / (4 + susceptance ** 2);
}

describe('a branch with an end that comes back', () => {
  // 5 m at two thirds of the speed of light.
  const branch = { thereAndBackNs: 50, gamma: 1 };
  it('takes 14 to 20 dB of what is sent about its quarter wave', () => {
    const notch = tapNotchDb(36, branch);
    expect(notch).toBeGreaterThan(14);
    expect(notch).toBeLessThan(20);
    const about = Array.from({ length: 2001 }, (_, k) => passed(10 * (0.9 + (0.2 * k) / 2000), 50));
    const mean = about.reduce((sum, one) => sum + one, 0) / about.length;
    expect(notch).toBeCloseTo(-10 * Math.log10(mean), 1);
  });
  it('takes a third where all that is sent is slower', () => {
    expect(tapNotchDb(6, { ...branch, thereAndBackNs: 20 })).toBeCloseTo(3.52, 2);
  });
  it('never takes less of a picture with finer detail', () => {
    const losses = [1, 3, 6, 8, 10, 15, 36, 90].map((topMHz) => tapNotchDb(topMHz, branch));
    expect([...losses].sort((a, b) => a - b)).toEqual(losses);
  });
  it('has its notch within where nobody knows how long it is, and where its end is shorted', () => {
    expect(tapNotchDb(6)).toBeGreaterThan(14);
    expect(tapNotchDb(6, { thereAndBackNs: 20, gamma: -1 })).toBeGreaterThan(14);
  });
});

it('a branch that ends in its own impedance takes a third of the wave at every frequency', () => {
  expect(tapNotchDb(90, { thereAndBackNs: 50, gamma: 0.1 })).toBe(tapLossDb);
  // As a shunt of the line's own ohms, whichever those are.
  expect(tapLossDb).toBeCloseTo(shuntLossDb(75, 75), 9);
  expect(tapLossDb).toBeCloseTo(shuntLossDb(50, 50), 9);
});
