import { describe, expect, it } from 'vitest';
import {
  addRecorder,
  addRun,
  addSupply,
  applyChanges,
  nextNumber,
  withJoint,
  withMarks,
  withoutSegment,
  withPrint,
  withSegment,
  withSegmentAfter,
} from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const run = site.run['r06']!;

describe('segments of a run', () => {
  it('a segment added after one brings a coupler and passes the old joint on', () => {
    const longer = withSegmentAfter(run, 0);
    expect(longer.segments.map(({ joint }) => joint)).toEqual(['coupler', 'compression', undefined]);
    expect(withSegmentAfter(run, 1).segments.map(({ joint }) => joint)).toEqual([
      'compression',
      'coupler',
      undefined,
    ]);
  });
  it('the last segment that is left stays, and a new end has no joint', () => {
    expect(withoutSegment(run, 1).segments.map(({ joint }) => joint)).toEqual([undefined]);
    expect(withoutSegment(withoutSegment(run, 0), 0).segments).toHaveLength(1);
  });
  it('a print brings its construction as far as it tells one', () => {
    const [segment] = withPrint(run, 0, 'RG6 18AWG CCS + 18/2 CCA').segments;
    expect(segment).toMatchObject({
      print: 'RG6 18AWG CCS + 18/2 CCA',
      cable: 'coax-rg6-ccs',
      leg: { kind: 'cores', cable: 'power-2x18-cca' },
    });
    expect(withPrint(run, 0, 'RG6').segments[0]).toMatchObject({
      print: 'RG6',
      cable: 'coax-rg59-cu',
      leg: run.segments[0]!.leg,
    });
  });
  it('marks bring a length, or say why not', () => {
    const marked = withMarks(run, 1, { value: 1900, unit: 'ft' }, { value: 1408, unit: 'ft' });
    expect(marked).toMatchObject({
      kind: 'sound',
      run: {
        segments: [
          {},
          {
            lengthM: expect.closeTo(149.96, 2) as number,
            lengthFrom: 'jacket-marks',
            marks: { head: 1900, far: 1408, unit: 'ft' },
          },
        ],
      },
    });
    expect(withMarks(run, 1, { value: 5, unit: 'm' }, { value: 5, unit: 'm' })).toMatchObject({
      kind: 'unclear',
    });
  });
  it('changes one and leaves the others', () => {
    expect(withSegment(run, 1, { lengthM: 150 }).segments.map(({ lengthM }) => lengthM)).toEqual([60, 150]);
    expect(withJoint(run, 0, undefined).segments[0]).not.toHaveProperty('joint');
  });
});

describe('the head end', () => {
  const recorder = {
    name: 'Pier recorder',
    placeId: 'quay-hut',
    inputs: 8,
    rules: 'highest-first' as const,
    ipSlots: 4,
    bestFormat: 'hd1080',
    incomingMbps: 64,
    slotMegapixels: 5,
  };
  it('a recorder is noted with the pictures it takes and its slots', () => {
    const change = addRecorder(site, recorder);
    expect(applyChanges(site, [change]).kind).toBe('sound');
    expect(change).toMatchObject({
      id: 'pier-recorder',
      set: {
        accepts: ['cvbs', 'hd720', 'hd1080'],
        rules: { kind: 'highest-first', extraIpSlots: 4 },
        limits: { ipCameras: 12 },
      },
    });
    expect(addRecorder(site, { ...recorder, name: 'Hall recorder', rules: 'fixed-hybrid' })).toMatchObject({
      id: 'hall-recorder-2',
      set: { rules: { kind: 'fixed-hybrid', ipSlots: 4 }, limits: { ipCameras: 4 } },
    });
  });
  it('a supply box is noted with its outputs', () => {
    const change = addSupply(site, {
      name: 'Pier box',
      placeId: 'quay-hut',
      current: 'dc',
      setVolts: 12.4,
      ratedAmps: 5,
      outputs: 4,
      fuseAmps: 1.1,
    });
    expect(applyChanges(site, [change]).kind).toBe('sound');
    expect(
      'set' in change && change.kind === 'supply' && change.set.outputs.map(({ number }) => number),
    ).toEqual([1, 2, 3, 4]);
  });
});

describe('addRun', () => {
  const wanted = {
    number: nextNumber(site),
    name: 'Rope store',
    placeName: 'Rope store',
    headEndId: 'ticket-hall',
    cable: 'coax-rg6-cu',
    lengthM: 90,
    supplyId: 'hall-box',
  };
  it('brings its place, its camera and a free output', () => {
    const { changes, runId } = addRun(site, wanted);
    const applied = applyChanges(site, changes);
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    expect(changes.map(({ kind }) => kind)).toEqual(['place', 'camera', 'run']);
    expect(applied.value.site.run[runId]!.feed).toEqual({
      kind: 'along-run',
      supplyId: 'hall-box',
      output: 9,
    });
  });
  it('goes on with further cables, each joined as it was said or as nobody has looked yet', () => {
    const goesOn = [
      { cable: 'coax-rg59-cu', lengthM: 25, joint: 'soldered' as const },
      { cable: 'pair-cat6', lengthM: 10 },
    ];
    const { changes, runId } = addRun(site, { ...wanted, supplyId: null, goesOn });
    const applied = applyChanges(site, changes);
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    const { segments } = applied.value.site.run[runId]!;
    expect(segments.map(({ cable, lengthM, joint, assumed }) => [cable, lengthM, joint, assumed])).toEqual([
      ['coax-rg6-cu', 90, 'soldered', undefined],
      ['coax-rg59-cu', 25, 'coupler', ['joint']],
      ['pair-cat6', 10, undefined, undefined],
    ]);
  });
  it('finds a known place whatever its capitals, and needs no cores with an adapter or on a pair', () => {
    const known = addRun(site, { ...wanted, placeName: ' boat SHED', supplyId: null });
    expect(known.changes.map(({ kind }) => kind)).toEqual(['camera', 'run']);
    expect(applyChanges(site, known.changes).kind).toBe('sound');
    expect(applyChanges(site, addRun(site, { ...wanted, cable: 'pair-cat6' }).changes).kind).toBe('sound');
    expect(applyChanges(site, addRun(site, { ...wanted, supplyId: 'quay-box' }).changes).kind).toBe('sound');
  });
});
