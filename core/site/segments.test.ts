import { describe, expect, it } from 'vitest';
import { addRun, applyChanges, nextNumber, withJoint, withoutSegment, withSegment, withSegmentAfter } from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const run = site.run['r06']!;

describe('segments of a run', () => {
  it('a segment added after one brings a coupler and passes the old joint on', () => {
    const longer = withSegmentAfter(run, 0);
    expect(longer.segments.map(({ joint }) => joint)).toEqual(['coupler', 'compression', undefined]);
    expect(withSegmentAfter(run, 1).segments.map(({ joint }) => joint)).toEqual(['compression', 'coupler', undefined]);
  });
  it('the last segment that is left stays, and a new end has no joint', () => {
    expect(withoutSegment(run, 1).segments.map(({ joint }) => joint)).toEqual([undefined]);
    expect(withoutSegment(withoutSegment(run, 0), 0).segments).toHaveLength(1);
  });
  it('changes one and leaves the others', () => {
    expect(withSegment(run, 1, { lengthM: 150 }).segments.map(({ lengthM }) => lengthM)).toEqual([60, 150]);
    expect(withJoint(run, 0, undefined).segments[0]).not.toHaveProperty('joint');
  });
});

describe('addRun', () => {
  const wanted = { number: nextNumber(site), name: 'Rope store', placeName: 'Rope store', headEndId: 'ticket-hall', cable: 'coax-rg6-cu', lengthM: 90, supplyId: 'hall-box' };
  it('brings its place, its camera and a free output', () => {
    const { changes, runId } = addRun(site, wanted);
    const applied = applyChanges(site, changes);
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    expect(changes.map(({ kind }) => kind)).toEqual(['place', 'camera', 'run']);
    expect(applied.value.site.run[runId]!.feed).toEqual({ kind: 'along-run', supplyId: 'hall-box', output: 12 });
  });
  it('finds a known place whatever its capitals, and needs no cores with an adapter or on a pair', () => {
    const known = addRun(site, { ...wanted, placeName: ' boat SHED', supplyId: null });
    expect(known.changes.map(({ kind }) => kind)).toEqual(['camera', 'run']);
    expect(applyChanges(site, known.changes).kind).toBe('sound');
    expect(applyChanges(site, addRun(site, { ...wanted, cable: 'pair-cat6' }).changes).kind).toBe('sound');
    expect(applyChanges(site, addRun(site, { ...wanted, supplyId: 'quay-box' }).changes).kind).toBe('sound');
  });
});
