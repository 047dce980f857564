import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { applyChanges, camerasNumbered, removeThing, type Equipment, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { monitorsOf } from '.';

const demo = saltmarrowSite();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
const hall = demo.equipment['hall-monitor']!;
const showing = (tiles: string[], over: Partial<Site> = {}): Site => {
  const gear = { kind: 'monitor', input: 'composite', recorderId: 'hall-recorder', tiles } as const;
  return { ...demo, equipment: { ...demo.equipment, [hall.id]: { ...hall, gear } }, ...over };
};
const monitor = (site: Site) => monitorsOf(site, evaluateSite(site).runs).find(({ id }) => id === hall.id)!;

describe('a monitor', () => {
  it('shows what it showed while nothing moves to another recorder', () => {
    const { tiles, across, problems, source } = monitor(showing(['c01', 'c02', 'c03', 'c04', 'c05']));
    expect([tiles.map(({ number }) => number), across, problems, source]).toEqual([
      [1, 2, 3, 4, 5],
      3,
      [],
      'Hall recorder',
    ]);
  });
  it('loses a camera that goes to another recorder, or for good, and says so', () => {
    const site = showing(['c01', 'c02', 'c17'], {
      placement: { c01: { id: 'c01', recorderId: 'marshalling-recorder', slot: 17 } },
      camera: { ...demo.camera, c17: { ...demo.camera['c17']!, mayGo: true } },
      choice: { c17: { id: 'c17', option: 'retire', ...who } },
    });
    expect(monitor(site).problems).toEqual([
      expect.stringMatching(/Camera 1 is on Marshalling recorder then/),
      expect.stringMatching(/Camera 17 is retired then/),
    ]);
  });
  it('that a new recorder may have no output for is named', () => {
    const recorder = {
      ...demo.recorder,
      'hall-recorder': { ...demo.recorder['hall-recorder']!, toBuy: 'recorder-network-16' },
    };
    expect(monitor(showing(['c01'], { recorder })).problems.join()).toMatch(
      /whether it has a composite output/,
    );
  });
  it('behind a matrix loses what sends another kind of picture, and all where the matrix goes', () => {
    const matrix: Equipment = {
      id: 'hall-matrix',
      name: 'Hall matrix',
      placeId: 'ticket-hall',
      gear: { kind: 'matrix', inputs: 16, outputs: 4 },
    };
    const behind = (over: Partial<Equipment>, sites: Partial<Site> = {}): Site => {
      const gear: Equipment['gear'] = {
        kind: 'monitor',
        input: 'composite',
        matrixId: matrix.id,
        tiles: ['c01', 'c03', 'c25'],
      };
      const equipment = {
        ...demo.equipment,
        [hall.id]: { ...hall, gear },
        [matrix.id]: { ...matrix, ...over },
      };
      return { ...demo, equipment, ...sites };
    };
    expect(monitor(behind({})).source).toBe('Hall matrix');
    const shown = (site: Site) => monitor(site).tiles.map(({ lost }) => lost);
    const none = 'no longer on the matrix';
    expect(shown(behind({}, { choice: {} }))).toEqual([null, null, null]);
    const choice = { c01: { id: 'c01', option: 'ip-coax-unit', ...who } } as const;
    expect(shown(behind({}, { choice }))).toEqual([none, null, null]);
    expect(monitor(behind({}, { choice })).problems[0]).toMatch(/unless a decoder puts it there/);
    expect(shown(behind({ goes: true }, { choice: {} }))).toEqual(Array(3).fill('without Hall matrix'));
    // It hangs on one thing, on a matrix that is noted, and keeps that from being removed.
    const refused = (gear: Equipment['gear']) => {
      const applied = applyChanges(behind({}), [{ kind: 'equipment', id: hall.id, set: { ...hall, gear } }]);
      return applied.kind === 'refused' && applied.problems.map(({ allowed }) => allowed);
    };
    expect(refused({ kind: 'monitor', input: 'hdmi', matrixId: 'hall-monitor' })).toEqual([
      'a matrix that is noted',
    ]);
    expect(
      refused({ kind: 'monitor', input: 'hdmi', matrixId: matrix.id, recorderId: 'hall-recorder' }),
    ).toEqual(['a recorder or a matrix, not both']);
    const removal = removeThing(behind({}), 'equipment', matrix.id);
    expect(removal.kind === 'in-use' && removal.by).toContain(hall.name);
  });
  it('shows cameras and recorders that are there', () => {
    const gear: Equipment['gear'] = { kind: 'monitor', input: 'hdmi', recorderId: 'gone', tiles: ['c99'] };
    const applied = applyChanges(demo, [{ kind: 'equipment', id: hall.id, set: { ...hall, gear } }]);
    expect(applied.kind === 'refused' && applied.problems.map(({ path }) => path)).toEqual([
      'equipment/hall-monitor/gear.recorderId',
      'equipment/hall-monitor/gear.tiles',
    ]);
  });
  it('has its tiles from numbers as they are typed, or none of them', () => {
    expect(camerasNumbered(demo, ' 3, 1;2 ')).toEqual(['c03', 'c01', 'c02']);
    expect(camerasNumbered(demo, '')).toEqual([]);
    expect(camerasNumbered(demo, '1, 99')).toBeNull();
    expect(camerasNumbered(demo, '1, x')).toBeNull();
  });
});
