import { describe, expect, it } from 'vitest';
import { fromSiteFile, parseSiteFile, siteFromTrusted, toSiteFile } from '.';
import { saltmarrowSite } from './testSite';

const file = () => structuredClone(toSiteFile(saltmarrowSite()));
const problems = (input: unknown) => {
  const read = fromSiteFile(input);
  return read.kind === 'refused' ? read.problems : [];
};

describe('site file', () => {
  it('comes back as it went out', () => {
    const read = parseSiteFile(JSON.stringify(file()));
    expect(read.kind === 'sound' && toSiteFile(read.value)).toEqual(file());
    expect(read.kind === 'sound' && read.value).toEqual(saltmarrowSite());
  });
  it('that was kept from before a list was there is read without it', () => {
    const { ownTasks: _, ...before } = file();
    expect(siteFromTrusted(before as ReturnType<typeof file>)).toEqual(saltmarrowSite());
  });
  it('the demo holds what its description promises', () => {
    const { cameras, runs, recorders, supplies, places, readings } = file();
    expect([cameras.length, runs.length, recorders.length, supplies.length]).toEqual([25, 24, 2, 3]);
    expect(new Set(recorders.map(({ rules }) => rules.kind)).size).toBe(2);
    expect(places.some(({ restrictions }) => restrictions.includes('heritage'))).toBe(true);
    expect(readings.length).toBeGreaterThan(80);
  });
  it('text that breaks off is named as such', () => {
    const text = JSON.stringify(file());
    const read = parseSiteFile(text.slice(0, text.length / 2));
    expect(read).toMatchObject({
      kind: 'refused',
      problems: [{ path: '(file)', allowed: expect.stringMatching(/cut short/) as string }],
    });
  });
  it('a file from a later version is refused as that, whatever else is in it', () => {
    expect(problems({ format: 'neotrope-site', version: 7, hologram: true })).toEqual([
      { path: 'version', value: '7', allowed: 'at most 3; this file was written by a newer Neotrope' },
    ]);
  });
  it('something else altogether is refused', () => {
    expect(problems([]).length).toBe(1);
    expect(problems({ format: 'shopping-list', version: 1 })[0]).toMatchObject({
      path: 'format',
      allowed: '"neotrope-site"',
    });
  });
  it('names the place of every problem', () => {
    const broken = file();
    broken.runs[7]!.segments[0]!.cable = 'coax-string';
    broken.cameras[2]!.number = -4;
    expect(problems(broken).map(({ path }) => path)).toEqual([
      'cameras[2].number',
      'runs[7].segments[0].cable',
    ]);
  });
  it('an id twice is a problem', () => {
    const doubled = file();
    doubled.places.push(doubled.places[0]!);
    expect(problems(doubled)).toEqual([
      { path: 'places[10].id', value: expect.any(String) as string, allowed: 'each id once' },
    ]);
  });
});
