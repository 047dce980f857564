import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between, logMix, logNormal, logSum, ratioSteps, robust } from './density';

describe('chances as logs', () => {
  it('add up as chances do, and stay finite where these would not', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -30, max: 3, noNaN: true }), { minLength: 1 }), (logs) => {
        expect(logSum(logs)).toBeCloseTo(Math.log(logs.reduce((sum, log) => sum + Math.exp(log), 0)), 9);
      }),
    );
    expect(logSum([-2000, -2000])).toBeCloseTo(-2000 + Math.log(2), 9);
    expect(logSum([-Infinity])).toBe(-Infinity);
    expect(logMix(Math.log(0.2), Math.log(0.6), 0.25)).toBeCloseTo(Math.log(0.3), 12);
  });
  it('of a normal figure are those of the tables', () => {
    expect(Math.exp(logNormal(0, 0, 1))).toBeCloseTo(0.39894, 5);
    expect(Math.exp(logNormal(13, 10, 2))).toBeCloseTo(0.12952 / 2, 4);
  });
  it('of a figure that may be misread come to one over its range', () => {
    const width = 40;
    let sum = 0;
    for (let x = 0; x < width; x += 0.01) sum += 0.01 * robust(x, 20, 0.7, 0.1, width);
    expect(sum).toBeCloseTo(1, 3);
  });
});

describe('steps alike in ratio', () => {
  it('share a range out, and what lies between is exact for a figure that follows the logarithm', () => {
    const steps = ratioSteps(1, 100, 8);
    expect(steps[1]! / steps[0]!).toBeCloseTo(100 ** (1 / 8), 9);
    expect(steps.reduce((product, step) => product * step, 1)).toBeCloseTo(10 ** 8, 1);
    const follows = (index: number): number => 3 + 2 * Math.log(steps[index]!);
    for (const x of [2, 7.5, 31]) expect(between(steps, follows, x)).toBeCloseTo(3 + 2 * Math.log(x), 9);
    expect(between(steps, follows, 0.1)).toBe(follows(0));
    expect(between(steps, follows, 1000)).toBe(follows(7));
  });
});
