import { describe, expect, it } from 'vitest';
import older from '../../../tests/reference/site-version-1.neotrope.json';
import { fromSiteFile, toSiteFile, upgradeEntry, upgradeStoredFact } from '.';

const recorder = {
  id: 'hall',
  turned: [15, 16],
  rules: { kind: 'from-the-tail', extraIpSlots: 8 },
};
const recorderToday = {
  id: 'hall',
  ipInputs: [15, 16],
  rules: { kind: 'highest-first', extraIpSlots: 8 },
};

describe('a site file of version 1', () => {
  it('is read whole, under the names of today', () => {
    expect(older.version).toBe(1);
    const read = fromSiteFile({
      ...older,
      joinings: [{ id: 'c01', address: '10.20.0.101' }],
      slotting: [{ id: 'slotting', numbers: 'any', share: 'load', streams: {}, perNight: 4, first: ['c02'] }],
    });
    if (read.kind !== 'sound') throw new Error(JSON.stringify(read.problems));
    const { recorders, ...lists } = toSiteFile(read.value);
    expect(lists.networkConfigs).toEqual([{ id: 'c01', address: '10.20.0.101' }]);
    expect(lists.allocationSettings).toMatchObject([
      { id: 'allocation-settings', perNight: 4, first: ['c02'] },
    ]);
    expect(recorders.map(({ rules }) => rules.kind)).toContain('highest-first');
    // Whatever kept its name is what it was.
    const before = older as unknown as Record<string, { id: string }[]>;
    const after = lists as unknown as Record<string, { id: string }[]>;
    for (const list of ['places', 'cameras', 'supplies', 'runs', 'readings', 'equipment', 'pins', 'routes']) {
      const byId = (facts: { id: string }[]) => [...facts].sort((a, b) => (a.id < b.id ? -1 : 1));
      expect(byId(after[list]!)).toEqual(byId(before[list]!));
    }
  });

  it('that was damaged is refused by its fields, as any other', () => {
    const read = fromSiteFile({ ...older, slotting: 'much', recorders: [null, 7] });
    expect(read.kind === 'refused' && read.problems.map((problem) => problem.path)).toEqual(
      expect.arrayContaining(['allocationSettings', 'recorders[0]', 'recorders[1]']),
    );
  });
});

describe('a database of version 1', () => {
  it.each([
    [
      { kind: 'recorder', id: 'hall', fact: recorder },
      { kind: 'recorder', id: 'hall', fact: recorderToday },
    ],
    [
      { kind: 'slotting', id: 'slotting', fact: { id: 'slotting', perNight: 4 } },
      {
        kind: 'allocationSettings',
        id: 'allocation-settings',
        fact: { id: 'allocation-settings', perNight: 4 },
      },
    ],
    [
      { kind: 'joining', id: 'slotting', fact: { id: 'slotting' } },
      { kind: 'networkConfig', id: 'slotting', fact: { id: 'slotting' } },
    ],
    [
      { kind: 'camera', id: 'c01', fact: { id: 'c01', turned: 1 } },
      { kind: 'camera', id: 'c01', fact: { id: 'c01', turned: 1 } },
    ],
  ])('holds %o, which is %o today', (before, after) => expect(upgradeStoredFact(before)).toEqual(after));

  it('logs edits that can still be taken back', () =>
    expect(
      upgradeEntry({
        id: 'e',
        nature: { kind: 'do' },
        changes: [
          { kind: 'recorder', id: 'hall', set: recorder },
          { kind: 'planned', id: 'p', remove: true },
        ],
        inverse: [{ kind: 'slotting', id: 'slotting', remove: true }],
      }),
    ).toEqual({
      id: 'e',
      operation: { kind: 'do' },
      changes: [
        { kind: 'recorder', id: 'hall', set: recorderToday },
        { kind: 'savedPlan', id: 'p', remove: true },
      ],
      inverse: [{ kind: 'allocationSettings', id: 'allocation-settings', remove: true }],
    }));
});
