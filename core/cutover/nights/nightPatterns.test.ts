import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { chanceOf } from './chance';
import { leastByPatterns } from './leastByPatterns';
import { nightPatterns, walkedPatterns } from './nightPatterns';
import type { NightJob } from './nightJob';
import { sequenceNight } from './sequence';
import { eightHours, jobOf, twoPeople } from './testJob';

const rules = eightHours;
const crew = twoPeople;
const fits = (jobs: readonly NightJob[]): boolean => {
  const { sequence } = sequenceNight(jobs, crew, rules);
  return sequence !== null && chanceOf(sequence.jobs, rules) >= 0.9;
};

const look = { isNight: fits, hasTime: () => true };

describe('the ways to fill a night', () => {
  const pair = (id: string, likely: number, place: string) => jobOf(id, { likely, place, people: 2 });
  const jobs = [
    pair('a1', 100, 'quay'),
    pair('a2', 100, 'quay'),
    pair('a3', 100, 'quay'),
    pair('a4', 100, 'quay'),
    pair('b1', 160, 'roof'),
    pair('b2', 160, 'roof'),
    pair('short', 15, 'roof'),
  ];
  const found = nightPatterns(jobs, { crew, rules }, look)!;
  it('are of kinds that ask the same, without what is over in no time', () =>
    expect(found.kinds).toEqual([
      ['a1', 'a2', 'a3', 'a4'],
      ['b1', 'b2'],
    ]));
  it('each fit and are full, and there is one that holds any night that fits', () => {
    const kinds = [jobs.slice(0, 4), jobs.slice(4, 6)];
    const of = (counts: readonly number[]) => counts.flatMap((count, kind) => kinds[kind]!.slice(0, count));
    for (const pattern of found.patterns) expect(fits(of(pattern))).toBe(true);
    for (let a = 0; a <= 4; a += 1)
      for (let b = 0; b <= 2; b += 1)
        expect(found.patterns.some(([most, other]) => a <= most! && b <= other!)).toBe(fits(of([a, b])));
  });
  it('leave the ways out where a night has room for many', () => {
    const four = nightPatterns(jobs, { crew: [...crew, ...crew], rules }, look)!;
    expect([found.arePlaced, four.arePlaced]).toEqual([true, false]);
  });
  it('are given up where there is no time for more', () => {
    let looks = 0;
    const hasTime = () => (looks += 1) < 4;
    expect(nightPatterns(jobs, { crew, rules }, { isNight: fits, hasTime })).toBeNull();
  });
  it('are not gone through where a night has room for too many', () => {
    const many = Array.from({ length: 8 }, () => crew).flat();
    expect(nightPatterns(jobs, { crew: many, rules }, look)).toBeNull();
  });
});

describe('the ways to fill a night with a walk before each job', () => {
  const apart = [100, 100, 100, 160, 160].map((likely, k) =>
    jobOf(`j${k}`, { likely, place: `own ${k}`, people: 2 }),
  );
  it('hold whatever fits, where each is at a place of its own', () => {
    const { patterns } = walkedPatterns(apart, { crew, rules }, look)!;
    // The first of a night takes a walk as well: a night that is shorter by one holds as much.
    const shorter = { ...rules, shiftMinutes: rules.shiftMinutes - rules.walkMinutes };
    for (let a = 0; a <= 3; a += 1)
      for (let b = 0; b <= 2; b += 1) {
        const some = [...apart.slice(0, a), ...apart.slice(3, 3 + b)];
        const { sequence } = sequenceNight(some, crew, shorter);
        const isHeld = sequence !== null && chanceOf(sequence.jobs, shorter) >= rules.sureChance;
        expect(patterns.some(([most, other]) => a <= most! && b <= other!)).toBe(isHeld);
      }
  });
});

describe('the nights that there have to be', () => {
  it('are as many as are cut from full ones', async () => {
    const highs = await loadHighs();
    const kinds = [7, 4].map((count, kind) => Array.from({ length: count }, (_, k) => `${kind} ${k}`));
    const patterns = [
      [3, 0],
      [1, 1],
    ];
    // Four nights hold the four, and four of the seven beside them; one more holds the other three.
    expect(leastByPatterns(highs, { arePlaced: true, kinds, patterns })).toBe(5);
  });
});
