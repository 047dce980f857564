import { describe, expect, it } from 'vitest';
import type { Gear, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { backupInWords, backupOf, type Backup } from '.';

const demo = saltmarrowSite();
const ups = (batteryYear?: number): Gear & { kind: 'ups' } => ({
  kind: 'ups',
  usableWh: 380,
  efficiencyPercent: 85,
  ratedWatts: 900,
  ...(batteryYear === undefined ? {} : { batteryYear }),
});
const unread: Site = { ...demo, reading: {}, plannedNight: {} };

/** What it is good for with 200 W on it, which are 210 VA. */
const backup = (site: Site, gear: Gear & { kind: 'ups' }): Backup =>
  backupOf(site, gear, { watts: 200, voltAmps: 210 })!;

describe('a UPS', () => {
  it('has a battery that counts as worn four years after the year on it, by the last year that the site tells of', () => {
    // The demo was read in 2026.
    expect(backup(demo, ups(2022)).battery).toEqual({ kind: 'worn', wornFrom: 2026 });
    expect(backup(demo, ups(2023)).battery).toEqual({ kind: 'fit', wornFrom: 2027 });
    const night = { id: '2028-02-01', date: '2028-02-01' } as Site['plannedNight'][string];
    expect(backup({ ...unread, plannedNight: { [night.id]: night } }, ups(2023)).battery.kind).toBe('worn');
  });
  it('is not said to have a worn one, nor a fit one, where nobody noted its year', () => {
    expect(backup(demo, ups()).battery).toEqual({ kind: 'unknown' });
    expect(backup(unread, ups(2000)).battery).toEqual({ kind: 'fit', wornFrom: 2004 });
  });
  it('gives minutes that are counted on only while its battery is within its life', () => {
    // By hand: 380 Wh, four fifths of it left, 85 % of that arrives, at 200 W.
    expect(backup(demo, ups()).hours * 60).toBeCloseTo(77.52, 9);
    expect(backupInWords(backup(demo, ups(2024)))).toBe('lasts 78 min; battery worn from 2028');
    expect(backupInWords(backup(demo, ups()))).toBe('lasts 78 min if its battery is not worn');
    expect(backupInWords(backup(demo, ups(2020)))).toBe('battery worn since 2024: count on no minutes');
  });
  it('gives none with more on it than it bears, in watts or in volt-amperes, whatever its battery has', () => {
    const weak = { ...ups(2024), ratedWatts: 190 };
    expect(backupInWords(backup(demo, weak))).toBe('overloaded: it switches off when the mains fail');
    expect(backup(demo, { ...ups(2024), ratedVa: 205 }).isOverloaded).toBe(true);
    expect(backup(demo, { ...ups(2024), ratedVa: 215 }).isOverloaded).toBe(false);
    expect(backupOf(demo, weak, { watts: 0, voltAmps: 0 })).toBeNull();
  });
});
