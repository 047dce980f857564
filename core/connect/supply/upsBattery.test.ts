import { describe, expect, it } from 'vitest';
import type { Gear, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { batteryAge, runtimeInWords, upsHours } from '.';

const demo = saltmarrowSite();
const ups = (batteryYear?: number): Gear & { kind: 'ups' } => ({
  kind: 'ups',
  usableWh: 380,
  efficiencyPercent: 85,
  ratedWatts: 900,
  ...(batteryYear === undefined ? {} : { batteryYear }),
});
const unread: Site = { ...demo, reading: {}, plannedNight: {} };

describe('the battery of a UPS', () => {
  it('counts as worn four years after the year on it, by the last year that the site tells of', () => {
    // The demo was read in 2026.
    expect(batteryAge(demo, ups(2022))).toEqual({ kind: 'worn', wornFrom: 2026 });
    expect(batteryAge(demo, ups(2023))).toEqual({ kind: 'fit', wornFrom: 2027 });
    const night = { id: '2028-02-01', date: '2028-02-01' } as Site['plannedNight'][string];
    expect(batteryAge({ ...unread, plannedNight: { [night.id]: night } }, ups(2023)).kind).toBe('worn');
  });
  it('is not said to be worn, nor to be fit, where nobody noted its year', () => {
    expect(batteryAge(demo, ups())).toEqual({ kind: 'unknown' });
    expect(batteryAge(unread, ups(2000))).toEqual({ kind: 'fit', wornFrom: 2004 });
  });
  it('gives minutes that are counted on only while it is within its life', () => {
    const hours = upsHours(ups(), 200);
    // By hand: 380 Wh, four fifths of it left, 85 % of that arrives, at 200 W.
    expect(hours * 60).toBeCloseTo(77.52, 9);
    expect(runtimeInWords(hours, batteryAge(demo, ups(2024)))).toBe('lasts 78 min; battery worn from 2028');
    expect(runtimeInWords(hours, batteryAge(demo, ups()))).toBe('lasts 78 min if its battery is not worn');
    expect(runtimeInWords(hours, batteryAge(demo, ups(2020)))).toBe(
      'battery worn since 2024: count on no minutes',
    );
  });
});
