import { runLengthM } from '#core/model/site';
import { describe, expect, it } from 'vitest';
import type { RunEvent } from '#core/test/findings';
import { saltmarrowSite } from '../../model/site/testSite';
import { logOfFactor, metreSpreadOf, notedCases, notedLength } from './runLength';

const run = saltmarrowSite().run['r13']!;
const end = (atM: number): RunEvent => ({ kind: 'open', atM, confidence: 1, isFarEnd: true });
const withSpread = (share: number) => ({
  ...run,
  segments: run.segments.map((segment) => ({ ...segment, spreadM: share * segment.lengthM })),
});

describe('a noted length', () => {
  it('spreads as its segments do together: estimates are wrong together', () => {
    expect(notedLength(withSpread(0.05))).toEqual({ lengthM: runLengthM(run), spread: 0.05 });
    expect(notedLength(withSpread(0)).spread).toBe(0.003);
  });
  it('is rarely quite wrong, but not never', () => {
    const noted = notedLength(withSpread(0.01));
    expect(logOfFactor(1, noted)).toBeGreaterThan(logOfFactor(1.05, noted));
    expect(logOfFactor(1.3, noted)).toBeGreaterThan(-6);
    expect(notedCases(noted).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  });
});

describe('a metre that a trace tells', () => {
  it('is better known where the end falls where marks say, and worse the farther it is', () => {
    const marked = withSpread(0.01);
    const fits = metreSpreadOf(100, marked, [end(runLengthM(run))]);
    expect(fits).toBeLessThan(metreSpreadOf(100, marked, [end(0.8 * runLengthM(run))]));
    expect(fits).toBeLessThan(metreSpreadOf(100, withSpread(0.05), [end(runLengthM(run))]));
    expect(metreSpreadOf(200, marked, [])).toBeGreaterThan(metreSpreadOf(50, marked, []));
  });
});
