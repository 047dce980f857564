import { describe, expect, it } from 'vitest';
import { applyChanges, parseSiteFile, toSiteFile, type Change, type Site } from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const link = {
  id: 'a',
  name: 'Hall to workshop',
  fromPlaceId: 'ticket-hall',
  toPlaceId: 'workshop',
  medium: 'category',
  lengthM: 62,
  carriesMbps: 1000,
  state: 'there',
} as const;
const problemsOf = (...changes: Change[]): string[] => {
  const applied = applyChanges(site, changes);
  return applied.kind === 'refused' ? applied.problems.map(({ path, allowed }) => `${path}: ${allowed}`) : [];
};
const set = (fields: Partial<Site['link'][string]>): Change => ({
  kind: 'link',
  id: 'a',
  set: { ...link, ...fields },
});

describe('a link between places', () => {
  it('is taken where both places are there', () => expect(problemsOf(set({}))).toEqual([]));
  it.each([
    ['to nowhere', { toPlaceId: 'atlantis' }, /link\/a\/toPlaceId/],
    ['to where it comes from', { toPlaceId: 'ticket-hall' }, /another place than the one it comes from/],
  ])('%s is refused in words', (_, fields, words) => expect(problemsOf(set(fields)).join()).toMatch(words));
  it('keeps its place from being taken away', () => {
    const changes: Change[] = [
      { kind: 'place', id: 'p', set: { ...site.place['workshop']!, id: 'p', name: 'Annex' } },
      set({ toPlaceId: 'p' }),
    ];
    const applied = applyChanges(site, changes);
    if (applied.kind === 'refused') throw new Error('not taken');
    expect(applyChanges(applied.value.site, [{ kind: 'place', id: 'p', remove: true }]).kind).toBe('refused');
  });
  it('of more fibres in use than there are is refused', () => {
    const file = toSiteFile(site);
    const broken = { ...file, links: [{ ...file.links[0]!, fibres: { total: 4, used: 9 } }] };
    const read = parseSiteFile(JSON.stringify(broken));
    expect(read.kind === 'refused' && read.problems[0]!.path).toBe('links[0].fibres');
  });
});

describe('a hardware address', () => {
  it('is one camera’s alone', () => {
    const config = (id: string): Change => ({
      kind: 'networkConfig',
      id,
      set: { id, hardwareAddress: '02:00:5e:10:00:14' },
    });
    expect(problemsOf(config('c20'))).toEqual([]);
    expect(problemsOf(config('c20'), config('c21')).join()).toMatch(
      /one that no other camera has; camera 20/,
    );
  });
});

describe('a site file of version 2', () => {
  it('opens as it was, without links', () => {
    const { links: _l, attachments: _a, ...older } = toSiteFile({ ...site, link: {}, attachment: {} });
    const read = parseSiteFile(JSON.stringify({ ...older, version: 2 }));
    expect(read).toEqual({ kind: 'sound', value: { ...site, link: {}, attachment: {} } });
  });
});
