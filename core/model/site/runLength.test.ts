import { describe, expect, it } from 'vitest';
import { runLengthM } from './runLength';
import { saltmarrowSite } from './testSite';

describe('the length of a run', () => {
  it('is what its segments come to, along the cable', () => {
    const { run } = saltmarrowSite();
    expect(runLengthM(run['r01']!)).toBe(34);
    // 60 m of RG-59 and 140 m of RG-11.
    expect(runLengthM(run['r06']!)).toBe(200);
    expect(runLengthM({ segments: [] })).toBe(0);
  });
});
