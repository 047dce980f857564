import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { recordingOf } from '#core/allocate/recorder';
import {
  addNetworkCamera,
  applyChanges,
  usualAllocationSettings,
  type Change,
  type Site,
} from '#core/model/site';
import { saltmarrowOnRuns } from '../model/site/testSite';
import { decidedSaltmarrow } from './testDecided';
import { evaluateSite, migrationOfSite, slotSite } from '.';

const highs = await loadHighs();
const demo = saltmarrowOnRuns();
const made = (site: Site, changes: Change[]): Site => {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') throw new Error(applied.problems[0]!.allowed);
  return applied.value.site;
};
const chosen = (site: Site, option: 'ip-coax-unit' | 'retire', ids: string[]): Site => ({
  ...site,
  choice: {
    ...site.choice,
    ...Object.fromEntries(
      ids.map((id) => [id, { id, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' }]),
    ),
  },
});

describe('the slots of a site', () => {
  it('are filled for those who wait, and nobody else is moved', () => {
    const { allocation } = evaluateSite(demo);
    const { changes, without, proven } = slotSite(highs, demo, allocation, 'rest');
    expect([changes.map(({ id }) => id).sort(), without, proven]).toEqual([
      allocation.waiting.map(({ cameraId }) => cameraId).sort(),
      [],
      true,
    ]);
    expect(evaluateSite(made(demo, changes)).allocation.waiting).toEqual([]);
  });
  it('once filled, filling again changes nothing, and so does allocating all anew', () => {
    const full = made(demo, slotSite(highs, demo, evaluateSite(demo).allocation, 'all').changes);
    for (const scope of ['rest', 'all'] as const)
      expect(slotSite(highs, full, evaluateSite(full).allocation, scope).changes).toEqual([]);
  });
  it('leave a camera that is on the network already where it is, whatever comes beside it', () => {
    const added = addNetworkCamera(demo, {
      name: 'Kiosk queue',
      placeName: 'Kiosks',
      target: 'fixed-2mp',
      state: 'there',
      lead: { medium: 'category', lengthM: 62 },
    });
    const { id } = added.at(-1)!;
    const where = { id, recorderId: 'marshalling-recorder', slot: 17 };
    const { choice } = decidedSaltmarrow(highs);
    const many = made({ ...demo, choice }, [...added, { kind: 'placement', id, set: where }]);
    const { changes, without } = slotSite(highs, many, evaluateSite(many).allocation, 'all');
    expect([changes.some((one) => one.id === id), without]).toEqual([false, []]);
    const full = made(many, changes);
    const { nights } = migrationOfSite(full, evaluateSite(full).allocation);
    expect(
      nights.flatMap(({ steps }) => steps).filter((step) => 'cameraId' in step && step.cameraId === id),
    ).toEqual([]);
  });
  it('every move has its reason', () => {
    const many = chosen(demo, 'ip-coax-unit', [
      'c04',
      'c05',
      'c08',
      'c09',
      'c10',
      'c15',
      'c16',
      'c17',
      'c18',
      'c19',
    ]);
    const { moves, changes } = slotSite(highs, many, evaluateSite(many).allocation, 'all');
    expect(moves.length).toBeGreaterThan(0);
    expect(moves.every(({ why }) => why.length > 10)).toBe(true);
    expect(evaluateSite(made(many, changes)).allocation.recorders.flatMap(({ broken }) => broken)).toEqual(
      [],
    );
  });
  it('are kept for a camera that was retired only until somebody says so, and that is counted as broken', () => {
    const { cameraId } = { cameraId: 'c01' };
    const gone = evaluateSite(
      chosen(
        { ...demo, camera: { ...demo.camera, c01: { ...demo.camera['c01']!, mayGo: true } } },
        'retire',
        [cameraId],
      ),
    );
    expect(gone.allocation.leftOver).toMatchObject([{ id: 'c01', slot: 17 }]);
    expect(gone.left.broken).toBe(evaluateSite(demo).left.broken + 1);
  });
  it('are reached night by night, each morning legal', () => {
    const full = made(demo, slotSite(highs, demo, evaluateSite(demo).allocation, 'all').changes);
    const { nights, waiting } = migrationOfSite(full, evaluateSite(full).allocation);
    expect(nights.length).toBeGreaterThan(0);
    expect([nights.flatMap(({ broken }) => broken), waiting]).toEqual([[], []]);
    const one = migrationOfSite(
      { ...full, allocationSettings: { 'allocation-settings': { ...usualAllocationSettings, perNight: 1 } } },
      evaluateSite(full).allocation,
    );
    expect(one.nights.length).toBeGreaterThan(nights.length);
  });
  it('leave nobody out: who is decided without a slot stays where it is, and who is retired is unplugged first', () => {
    const cameraId = 'c05';
    const at = (option: 'ip-coax-unit' | 'retire'): Site => ({
      ...demo,
      camera: { ...demo.camera, [cameraId]: { ...demo.camera[cameraId]!, mayGo: true } },
      choice: {
        ...demo.choice,
        [cameraId]: { id: cameraId, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' },
      },
    });
    const decided = at('ip-coax-unit');
    const { unplaced, nights } = migrationOfSite(decided, evaluateSite(decided).allocation);
    expect(unplaced).toContain(5);
    const last = nights.at(-1)!.occupied['hall-recorder']!.find(({ need }) => need.number === 5)!;
    expect([last.slot, last.need.signal.kind]).toEqual([5, 'coax']);
    const retired = at('retire');
    const after = migrationOfSite(retired, evaluateSite(retired).allocation);
    expect(after.nights[0]!.steps[0]).toEqual({
      kind: 'unplug',
      cameraId,
      number: 5,
      from: { recorderId: 'hall-recorder', slot: 5 },
    });
    expect(after.nights.flatMap(({ broken }) => broken)).toEqual([]);
  });
  it('one slot given to two is nobody’s illegal morning: one moves there, the other stays and is named', () => {
    const at = '2026-04-01T09:00:00Z';
    const choice = Object.fromEntries(
      ['c05', 'c09'].map((id) => [id, { id, option: 'ip-coax-unit' as const, at, by: 'R. Tolland' }]),
    );
    const placement = Object.fromEntries(
      ['c05', 'c09'].map((id) => [id, { id, recorderId: 'hall-recorder', slot: 20 }]),
    );
    const both: Site = {
      ...demo,
      choice: { ...demo.choice, ...choice },
      placement: { ...demo.placement, ...placement },
    };
    const { nights, waiting } = migrationOfSite(both, evaluateSite(both).allocation);
    expect(waiting).toEqual([{ cameraId: 'c09', number: 9, why: 'camera 5 has the same slot by the plan' }]);
    expect(nights.flatMap(({ broken }) => broken)).toEqual([]);
    const last = nights.at(-1)!.occupied;
    expect(last['hall-recorder']!.find(({ slot }) => slot === 20)!.need.number).toBe(5);
    expect(last['marshalling-recorder']!.find(({ slot }) => slot === 9)!.need).toMatchObject({
      number: 9,
      signal: { kind: 'coax', format: 'cvbs' },
    });
  });
  it('a lead that ends on no recorder is named', () => {
    const { patchedTo: _, ...loose } = demo.run['r07']!;
    const site: Site = { ...demo, run: { ...demo.run, r07: loose } };
    const { elsewhere, unplaced } = migrationOfSite(site, evaluateSite(site).allocation);
    expect([elsewhere, unplaced]).toEqual([[7], [18, 20]]);
  });
  it('inputs that are turned ahead are IP in the morning, though they stand empty', () => {
    const at = chosen(
      demo,
      'ip-coax-unit',
      Object.keys(demo.camera).filter((id) => id !== 'c03' && id !== 'c11'),
    );
    const full = made(at, slotSite(highs, at, evaluateSite(at).allocation, 'all').changes);
    const { nights } = migrationOfSite(full, evaluateSite(full).allocation);
    const turned = nights.flatMap(({ steps, ipInputs }) =>
      steps.flatMap((step) =>
        step.kind === 'turn' ? [{ toIp: step.cost.toIp, inTheMorning: ipInputs[step.recorderId] }] : [],
      ),
    );
    expect(turned.length).toBeGreaterThan(0);
    for (const { toIp, inTheMorning } of turned) expect(inTheMorning).toEqual(expect.arrayContaining(toIp));
  });
});

describe('what a recorder keeps', () => {
  it('counts coax as the recorder compresses it and IP as it comes, and names what to do where it is short', () => {
    const { allocation } = evaluateSite(demo);
    const { storage, ways, streaming } = recordingOf(
      demo,
      demo.recorder['hall-recorder']!,
      allocation.occupied['hall-recorder']!,
    );
    expect(streaming).toHaveLength(allocation.occupied['hall-recorder']!.length);
    expect(storage.wantTb).toBeGreaterThan(0);
    expect(ways.length > 0).toBe(storage.shortTb > 0);
    const long = {
      ...demo,
      allocationSettings: {
        'allocation-settings': { ...usualAllocationSettings, streams: { keepDays: 365 } },
      },
    };
    const far = recordingOf(
      long,
      demo.recorder['hall-recorder']!,
      evaluateSite(long).allocation.occupied['hall-recorder']!,
    );
    expect(far.storage.wantTb / storage.wantTb).toBeCloseTo(365 / 30);
    expect(far.ways.find(({ kind }) => kind === 'disks')).toMatchObject({
      terabytes: 4,
      cost: expect.any(Number),
    });
  });
});
