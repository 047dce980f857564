import { describe, expect, it } from 'vitest';
import type { DataSheet } from '#core/physics/cable';
import { runFindings } from '#core/test/findings';
import {
  applyChanges,
  noteConstruction,
  parseSiteFile,
  removeConstruction,
  toSiteFile,
  withCable,
  type Site,
} from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const sheet: DataSheet = {
  kind: 'coax',
  id: 'dock-coax',
  name: 'Dock coax',
  material: 'copper',
  centreOhmPerKm: 40,
  shieldOhmPerKm: 10,
  loss: [{ mhz: 100, dbPer100m: 10 }],
  velocityFactor: 0.7,
  impedanceOhms: 75,
};
function after(at: Site, changes: ReturnType<typeof noteConstruction>): Site {
  const applied = applyChanges(at, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
}
const run = withCable(site.run['r01']!, 0, sheet);
const laid = after(site, [...noteConstruction(site, sheet), { kind: 'run', id: 'r01', set: run }]);

describe('a cable of the site’s own', () => {
  it('gives its figures to every run that is of it, and the result says so', () => {
    const { coaxLoop } = runFindings(laid, laid.run['r01']!, laid.camera['c01']!, {});
    expect(coaxLoop.from).toBe('data-sheet');
    const lengthM = run.segments.reduce((sum, segment) => sum + segment.lengthM, 0);
    expect(coaxLoop.ohms).toBeCloseTo((lengthM / 1000) * 50, 0);
  });
  it('is put right in one place for all its segments', () => {
    const better = after(laid, noteConstruction(laid, { ...sheet, centreOhmPerKm: 30 }));
    expect(better.run['r01']!.segments[0]!.sheet).toMatchObject({ centreOhmPerKm: 30 });
    expect(better.run['r02']).toBe(laid.run['r02']);
  });
  it('goes, and leaves its segments to the nearest row of the tables', () => {
    const gone = after(laid, removeConstruction(laid, sheet.id));
    expect(gone.construction).toEqual({});
    const { segments } = gone.run['r01']!;
    expect(segments[0]!.sheet).toBeUndefined();
    expect(segments.slice(1)).toEqual(laid.run['r01']!.segments.slice(1));
    expect(gone.run['r02']).toBe(laid.run['r02']);
  });
  it('gives way to a row of the tables, and pairs take no coax sheet’s place', () => {
    const { segments } = withCable(run, 0, 'coax-rg6-cu');
    expect(segments[0]!.cable).toBe('coax-rg6-cu');
    expect(segments[0]).not.toHaveProperty('sheet');
    const wrong = {
      ...run,
      segments: [{ ...run.segments[0]!, cable: 'pair-cat6' }, ...run.segments.slice(1)],
    };
    expect(applyChanges(laid, [{ kind: 'run', id: 'r01', set: wrong }]).kind).toBe('refused');
  });
  it('goes out with the site and comes in again', () => {
    const read = parseSiteFile(JSON.stringify(toSiteFile(laid)));
    expect(read.kind !== 'refused' && read.value.construction['dock-coax']).toEqual(sheet);
    expect(read.kind !== 'refused' && read.value.run['r01']).toEqual(laid.run['r01']);
  });
});
