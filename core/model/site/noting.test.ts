import { withRulesOf } from '#core/model/slotRules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addRunTo,
  applyChanges,
  disksText,
  fedFrom,
  fedThrough,
  freeName,
  markedLength,
  parseDisks,
  parsePresets,
  presetsText,
  removeThing,
  thingName,
  placeholderCamera,
  withFields,
  withFocal,
  withLens,
  withMeasured,
  withMeasuredEnd,
  withRange,
  type Change,
  type Site,
} from '.';
import { saltmarrowOnRuns } from './testSite';

const site = saltmarrowOnRuns();
const run = (id: string) => site.run[id]!;
const after = (from: Site, changes: Change[]): Site => {
  const applied = applyChanges(from, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};

describe('where power comes from', () => {
  it('goes along a run’s own cores where it has them, and stays on a separate pair', () => {
    expect(fedFrom(run('r01'), { supplyId: 'hall-box', output: 12 }).feed).toEqual({
      kind: 'along-run',
      supplyId: 'hall-box',
      output: 12,
    });
    expect(fedFrom(run('r12'), { supplyId: 'quay-box', output: 8 }).feed).toMatchObject({
      kind: 'separate-pair',
      output: 8,
      cable: 'power-2x16-cu',
      lengthM: 35,
    });
    expect(fedFrom(run('r23'), { supplyId: 'hall-box', output: 12 }).feed).toMatchObject({
      kind: 'separate-pair',
      supplyId: 'hall-box',
    });
  });
  it('is an adapter at the camera otherwise, and one that is noted stays as it is', () => {
    expect(fedFrom(run('r01'), null).feed).toMatchObject({ kind: 'local-adapter', volts: 12 });
    expect(fedFrom(run('r23'), null)).toBe(run('r23'));
  });
  it('changes its way only where there are cores for it', () => {
    expect(fedThrough(run('r01'), 'separate-pair').feed).toMatchObject({
      kind: 'separate-pair',
      supplyId: 'hall-box',
      output: 1,
    });
    expect(fedThrough(run('r12'), 'along-run')).toBe(run('r12'));
    expect(fedThrough(fedThrough(run('r01'), 'separate-pair'), 'along-run')).toEqual(run('r01'));
  });
});

describe('what a person writes of a recorder', () => {
  const presets = fc.array(fc.record({ inputs: fc.nat(64), ipSlots: fc.nat(128) }), {
    minLength: 1,
    maxLength: 12,
  });
  it('presets come back as they were written', () => {
    fc.assert(
      fc.property(presets, (list) => {
        expect(parsePresets(presetsText(list))).toEqual({ kind: 'read', value: list });
      }),
    );
    expect(parsePresets('16 + 0; 8+8').kind).toBe('read');
    for (const typed of ['', '16-0', '16+0,', '99+0', 'eight'])
      expect(parsePresets(typed).kind).toBe('refused');
  });
  it('disks too, in terabytes or gigabytes, and none at all', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.integer({ min: 1, max: 200 }).map((half) => ({ terabytes: half / 2 })),
          { maxLength: 24 },
        ),
        (disks) => {
          expect(parseDisks(disksText(disks))).toEqual({ kind: 'read', value: disks });
        },
      ),
    );
    expect(parseDisks('4, 500 GB')).toEqual({ kind: 'read', value: [{ terabytes: 4 }, { terabytes: 0.5 }] });
    for (const typed of ['four', '0', '400 TB']) expect(parseDisks(typed).kind).toBe('refused');
  });
});

describe('a recorder of another kind', () => {
  const recorder = site.recorder['hall-recorder']!;
  it('keeps its IP slots as far as the kind has them', () => {
    expect(withRulesOf(recorder, 'switch-per-input').rules).toEqual({
      kind: 'switch-per-input',
      extraIpSlots: 8,
    });
    expect(withRulesOf(recorder, 'preset-split').rules).toMatchObject({
      presets: [
        { inputs: 16, ipSlots: 0 },
        { inputs: 8, ipSlots: 8 },
        { inputs: 0, ipSlots: 16 },
      ],
    });
    expect(withRulesOf(withRulesOf(recorder, 'preset-split'), 'fixed-hybrid').rules).toEqual({
      kind: 'fixed-hybrid',
      ipSlots: 16,
    });
  });
  it('has no coax inputs where it is for network cameras only', () =>
    expect(withRulesOf(recorder, 'network-only')).toMatchObject({
      inputs: 0,
      rules: { kind: 'network-only', ipSlots: 8 },
    }));
});

describe('what goes', () => {
  it('says by whom it is still needed', () => {
    expect(removeThing(site, 'recorder', 'hall-recorder')).toMatchObject({
      kind: 'in-use',
      by: expect.arrayContaining(['run 1', 'the slot of camera 1']),
    });
    expect(removeThing(site, 'supply', 'quay-box')).toMatchObject({
      kind: 'in-use',
      by: expect.arrayContaining(['run 12']),
    });
    expect(removeThing(site, 'equipment', 'hall-circuit')).toMatchObject({
      kind: 'in-use',
      by: expect.arrayContaining(['Hall UPS', 'Hall monitor']),
    });
    expect(removeThing(site, 'place', 'workshop')).toMatchObject({
      kind: 'in-use',
      by: expect.arrayContaining(['camera 17']),
    });
  });
  it('takes its spot and its photos with it', () => {
    const photo = {
      id: 'p1',
      fileId: 'a'.repeat(64),
      mediaType: 'image/jpeg' as const,
      widthPx: 9,
      heightPx: 9,
      of: { kind: 'equipment' as const, id: 'hall-monitor' },
      at: '2026-03-12T09:00:00Z',
      by: 'R. Tolland',
    };
    const shown = after(site, [
      { kind: 'photo', id: 'p1', set: photo },
      { kind: 'pin', id: 'p2', set: { id: 'p2', drawingId: 'hall-plan', of: photo.of, at: { x: 1, y: 1 } } },
    ]);
    const removal = removeThing(shown, 'equipment', 'hall-monitor');
    const gone = after(shown, removal.kind === 'changes' ? removal.changes : []);
    expect([gone.equipment['hall-monitor'], gone.photo['p1'], gone.pin['p2']]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });
});

describe('a segment’s length', () => {
  it('is the difference of its marks, run up or down', () => {
    expect(markedLength({ marks: { head: 100, far: 131, unit: 'm' } })).toEqual({ lengthM: 31, spreadM: 1 });
    expect(markedLength({ marks: { head: 500, far: 400, unit: 'ft' } })).toMatchObject({
      lengthM: expect.closeTo(30.48, 9) as number,
    });
    expect([markedLength({}), markedLength({ marks: { head: 5, far: 5, unit: 'm' } })]).toEqual([null, null]);
  });
  it('gives way to a reflectometer unless it was marked', () => {
    expect(withMeasured(run('r15'), 0, 333).segments[0]).toMatchObject({
      lengthFrom: 'reflectometer',
      lengthM: 333,
      measured: { lengthM: 333, spreadM: 3.33 },
    });
    expect(withMeasuredEnd(run('r13'), 280)!.segments[1]).toMatchObject({ measured: { lengthM: 184 } });
    expect(withMeasuredEnd(run('r13'), 96.4)).toBeNull();
    expect(withMeasured(run('r01'), 0, 30).segments[0]).toMatchObject({
      lengthFrom: 'jacket-marks',
      lengthM: 34,
      measured: { lengthM: 30 },
    });
  });
});

describe('a lens', () => {
  const camera = (lens: NonNullable<Site['camera'][string]['lens']>) => ({ lens });
  it('starts as most old ones are', () =>
    expect(withLens({}, { focalMm: 6 })).toEqual({ sensor: '1/3', focalMm: 6 }));
  it('keeps a range only while its focal length is in it', () => {
    const zoom = camera({ sensor: '1/3', focalMm: 4, range: { minMm: 2.8, maxMm: 12 } });
    expect(withFocal(zoom, 8)).toEqual({ sensor: '1/3', focalMm: 8, range: { minMm: 2.8, maxMm: 12 } });
    expect(withFocal(zoom, 16)).toEqual({ sensor: '1/3', focalMm: 16 });
  });
  it('is a lens that the schema takes, whatever ends are noted in whatever order', () => {
    const mm = fc.double({ min: 1, max: 100, noNaN: true });
    fc.assert(
      fc.property(
        mm,
        fc.array(
          fc.oneof(
            mm.map((minMm) => ({ minMm })),
            mm.map((maxMm) => ({ maxMm })),
          ),
          { maxLength: 5 },
        ),
        (focalMm, ends) => {
          const lens = ends.reduce((so, end) => withRange(camera(so), end), withFocal({}, focalMm));
          expect(
            lens.range === undefined ||
              (lens.range.minMm <= lens.focalMm && lens.focalMm <= lens.range.maxMm),
          ).toBe(true);
        },
      ),
    );
  });
});

describe('names and new runs', () => {
  it('a thing has the name that people use', () => {
    expect([
      thingName(site, { kind: 'camera', id: 'c08' }),
      thingName(site, { kind: 'run', id: 'r08' }),
      thingName(site, { kind: 'supply', id: 'quay-box' }),
    ]).toEqual(['8 Weighbridge', 'run 8', 'Quay box']);
  });
  it('a free name is the wanted one, or the next number behind it', () => {
    expect([
      freeName([], 'Route 1'),
      freeName(['route 1'], 'Route 1'),
      freeName(['Closet', 'Closet 2'], 'Closet'),
    ]).toEqual(['Route 1', 'Route 2', 'Closet 3']);
  });
  it('a camera that was listed without a run gets one', () => {
    const lone = after(site, [
      {
        kind: 'camera',
        id: 'c25',
        set: placeholderCamera({ id: 'c25', number: 25, name: 'Rope store', placeId: 'workshop' }, 'dc'),
      },
    ]);
    const { changes, runId } = addRunTo(lone, lone.camera['c25']!, {
      headEndId: 'ticket-hall',
      cable: 'coax-rg59-cu',
      lengthM: 40,
      supplyId: 'hall-box',
    });
    expect(after(lone, changes).run[runId]).toMatchObject({
      cameraId: 'c25',
      feed: { kind: 'along-run', output: 9 },
    });
  });
  it('a field that is set to nothing is taken away', () =>
    expect(withFields<{ a?: number; b: number }>({ a: 1, b: 2 }, { a: undefined })).toEqual({ b: 2 }));
});
