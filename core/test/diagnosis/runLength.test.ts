import { runLengthM, type Run } from '#core/model/site';
import { describe, expect, it } from 'vitest';
import type { RunEvent } from '#core/test/findings';
import { saltmarrowSite } from '../../model/site/testSite';
import { logOfFactor, notedCases, notedLength, tracedMetre } from './runLength';

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
  const lengthM = runLengthM(run);
  const joint = (atM: number): RunEvent => ({ kind: 'series', ohms: 8, atM, confidence: 1, isFarEnd: false });
  const spreadAt = (atM: number, of: Run, events: readonly RunEvent[]): number =>
    tracedMetre(joint(atM), of, events).spreadM;
  const marked = withSpread(0.01);
  it('is better known where the end falls where marks say, and worse the farther it is', () => {
    const fits = spreadAt(100, marked, [end(lengthM)]);
    expect(fits).toBeLessThan(spreadAt(100, marked, [end(0.8 * lengthM)]));
    expect(fits).toBeLessThan(spreadAt(100, withSpread(0.05), [end(lengthM)]));
    expect(spreadAt(200, marked, [])).toBeGreaterThan(spreadAt(50, marked, []));
  });
  it('may be off as the end is, where marks are good and the end falls a little elsewhere', () => {
    const at = tracedMetre(joint(100), marked, [end(1.06 * lengthM)]);
    // Between where it was read and where it is if the velocity factor is off by as much as the end.
    expect(at.atM).toBeLessThan(100);
    expect(at.atM).toBeGreaterThan(100 / 1.06);
    expect(at.spreadM).toBeGreaterThan(2);
    expect(at.atM + 1.645 * at.spreadM).toBeGreaterThan(100);
    expect(at.atM - 1.645 * at.spreadM).toBeLessThan(100 / 1.06);
  });
  it('stands where it was read once the velocity factor is fitted, and where the length is a guess', () => {
    const fitted = { ...marked, segments: marked.segments.map((one) => ({ ...one, velocityFactor: 0.82 })) };
    expect(tracedMetre(joint(100), fitted, [end(1.06 * lengthM)]).atM).toBe(100);
    const guessed = tracedMetre(joint(100), withSpread(0.15), [end(1.06 * lengthM)]);
    expect(Math.abs(guessed.atM - 100)).toBeLessThan(0.3);
  });
  it('of a break is that of the end, whatever was noted: it tells nothing of the velocity factor', () => {
    const broken = end(0.94 * lengthM);
    expect(tracedMetre(broken, marked, [broken]).atM).toBe(broken.atM);
    expect(tracedMetre(broken, marked, [broken]).spreadM).toBeLessThan(0.01 * lengthM);
  });
});
