import { describe, expect, it } from 'vitest';
import { fibreGrades, fibreLossDb, fibreReachM } from '.';

describe('light that a fibre link loses', () => {
  it('by hand: a kilometre, a splice and two connectors at each end', () => {
    // 0.5 + 2 · 0.3 + 4 · 0.75, and at its best 0.2 + 2 · 0.03 + 4 · 0.15.
    expect(fibreLossDb(1000)).toBeCloseTo(4.1, 12);
    expect(fibreLossDb(1000, 'os2', 'good')).toBeCloseTo(0.86, 12);
    expect(fibreLossDb(200, 'om3')).toBeCloseTo(0.7 + 3.6, 12);
  });
  it('is never less than that of a good one, and grows with the metres', () => {
    for (const grade of fibreGrades)
      for (const lengthM of [1, 100, 2000]) {
        expect(fibreLossDb(lengthM, grade)).toBeGreaterThan(fibreLossDb(lengthM, grade, 'good'));
        expect(fibreLossDb(lengthM + 1, grade)).toBeGreaterThan(fibreLossDb(lengthM, grade));
      }
  });
});

describe('how far a rate reaches', () => {
  it.each([
    ['om1', 100, 2000],
    ['om1', 1000, 275],
    ['om2', 1000, 550],
    ['om1', 2500, 33],
    ['om2', 10_000, 82],
    ['om3', 10_000, 300],
    ['om4', 10_000, 400],
    ['om2', 40_000, 0],
    ['om4', 100_000, 100],
    ['os2', 100_000, Infinity],
  ] as const)('%s at %d Mb/s: %d m', (grade, mbps, metres) => expect(fibreReachM(grade, mbps)).toBe(metres));
  it('is never farther for a faster one, nor for a poorer grade', () => {
    const rates = [10, 100, 1000, 2500, 10_000, 40_000, 100_000];
    const multimode = fibreGrades.filter((grade) => grade !== 'os2');
    for (const grade of multimode)
      for (const [k, mbps] of rates.slice(1).entries())
        expect(fibreReachM(grade, mbps)).toBeLessThanOrEqual(fibreReachM(grade, rates[k]!));
    for (const mbps of rates)
      for (const [k, grade] of multimode.slice(1).entries())
        expect(fibreReachM(grade, mbps)).toBeGreaterThanOrEqual(fibreReachM(multimode[k]!, mbps));
  });
});
