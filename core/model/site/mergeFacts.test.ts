import { describe, expect, it } from 'vitest';
import { applyChanges } from './edit';
import { mergeChanges, renamedIn } from './mergeFacts';
import type { Change } from './change';
import type { Site } from './site';
import { saltmarrowSite } from './testSite';
import { withChanges } from './changesBetween';

const base = saltmarrowSite();
const camera = base.camera['c08']!;
/** Changes that were made on one state, on another. */
function merge(changes: Change[], on: Site, now: Site) {
  const applied = applyChanges(on, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return mergeChanges({ changes, inverse: applied.value.inverse }, now);
}
const set = (fields: object): Change => ({ kind: 'camera', id: 'c08', set: { ...camera, ...fields } });

describe('two people at one fact', () => {
  it('who changed different fields both keep theirs', () => {
    const now = withChanges(base, [set({ name: 'Weighbridge north', targetM: 9 })]);
    const { changes, clashes } = merge([set({ note: 'Bracket is loose' })], base, now);
    expect(clashes).toEqual([]);
    const applied = applyChanges(now, changes);
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    expect(applied.value.site.camera['c08']).toMatchObject({
      name: 'Weighbridge north',
      targetM: 9,
      note: 'Bracket is loose',
    });
  });
  it('who changed one field differently are told, with both values', () => {
    const now = withChanges(base, [set({ name: 'Weighbridge north' })]);
    expect(merge([set({ name: 'Weighbridge south', note: 'x' })], base, now).clashes).toEqual([
      { kind: 'camera', id: 'c08', field: 'name', mine: 'Weighbridge south', theirs: 'Weighbridge north' },
    ]);
  });
  it('who both made it the same agree', () => {
    const now = withChanges(base, [set({ name: 'Weighbridge north' })]);
    expect(merge([set({ name: 'Weighbridge north' })], base, now).clashes).toEqual([]);
  });
  it('what says the same in another order of keys is no difference', () => {
    const run = base.run['r08']!;
    const backwards = (segment: object) => Object.fromEntries(Object.entries(segment).reverse());
    const there = { ...run, segments: run.segments.map(backwards) } as unknown as typeof run;
    const mine = { ...run, segments: run.segments.map((one) => ({ ...one, lengthM: one.lengthM + 3 })) };
    const { changes, clashes } = merge([{ kind: 'run', id: 'r08', set: mine }], base, {
      ...base,
      run: { ...base.run, r08: there },
    });
    expect(clashes).toEqual([]);
    expect(changes).toEqual([{ kind: 'run', id: 'r08', set: mine }]);
  });
  it('a field that one took away stays away', () => {
    const noted = withChanges(base, [set({ note: 'old' })]);
    const { note: _, ...without } = noted.camera['c08']!;
    const now = withChanges(noted, [{ kind: 'camera', id: 'c08', set: without }]);
    const mine: Change = { kind: 'camera', id: 'c08', set: { ...noted.camera['c08']!, targetM: 3 } };
    const { changes, clashes } = merge([mine], noted, now);
    expect(clashes).toEqual([]);
    expect(changes[0]).toMatchObject({ set: { targetM: 3 } });
    expect('set' in changes[0]! && 'note' in changes[0].set).toBe(false);
  });
  it('one removed it and the other changed it: neither is done without a word', () => {
    const now = withChanges(base, [{ kind: 'choice', id: 'c01', remove: true }]);
    const choice = base.choice['c01']!;
    const mine: Change = { kind: 'choice', id: 'c01', set: { ...choice, option: 'keep' } };
    expect(merge([mine], base, now).clashes).toHaveLength(1);
    const changed = withChanges(base, [mine]);
    expect(merge([{ kind: 'choice', id: 'c01', remove: true }], base, changed).clashes).toHaveLength(1);
  });
});

describe('an id that both made', () => {
  it('is another wherever it is referred to, and no name or note is touched', () => {
    const place = { ...base.place['workshop']!, id: 'annex', name: 'annex' };
    const changes: Change[] = [
      { kind: 'place', id: 'annex', set: place },
      { kind: 'camera', id: 'c08', set: { ...camera, placeId: 'annex', note: 'annex' } },
    ];
    expect(renamedIn(changes, 'annex', 'annex-2')).toEqual([
      { kind: 'place', id: 'annex-2', set: { ...place, id: 'annex-2' } },
      { kind: 'camera', id: 'c08', set: { ...camera, placeId: 'annex-2', note: 'annex' } },
    ]);
  });
});
