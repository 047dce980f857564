import { describe, expect, it } from 'vitest';
import { applyChanges, emptySite, toSiteFile, type Change, type LogEntry } from '#core/model/site';
import { broughtUp } from './keptSites';

const site = emptySite('Saltmarrow slip', 'Hut');
const served = { id: 'saltmarrow-slip', version: 3, file: toSiteFile(site), log: [], role: null };
const renamed = (version: number, name: string): LogEntry => {
  const changes: Change[] = [{ kind: 'about', id: 'about', set: { ...site.about['about']!, name } }];
  const applied = applyChanges(site, changes);
  if (applied.kind !== 'sound') throw new Error('does not fit');
  return {
    id: `0000000${version}-0b3a-4a52-9f53-0e8a4a1d2b3c`,
    site: served.id,
    baseVersion: version - 1,
    version,
    label: 'Name',
    operation: { kind: 'do' },
    by: 'R. Tolland',
    at: '2026-03-12T09:00:00.000Z',
    changes,
    inverse: applied.value.inverse,
  };
};

describe('a site that was kept', () => {
  it('is brought up to the last edit that goes on from it, in whatever order they were kept', () => {
    const up = broughtUp(served, [renamed(5, 'Slip, again'), renamed(4, 'Slip'), renamed(2, 'Before')]);
    expect(up.version).toBe(5);
    expect(up.file.about.name).toBe('Slip, again');
    expect(up.log.map(({ version }) => version)).toEqual([4, 5]);
  });
  it('stops at a gap: what came after it is for the server to tell', () => {
    const up = broughtUp(served, [renamed(4, 'Slip'), renamed(6, 'Slip, later')]);
    expect(up).toMatchObject({ version: 4, file: { about: { name: 'Slip' } } });
  });
});
