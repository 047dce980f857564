import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { carriedAfter } from '#core/cutover/nights';
import type { Site } from '#core/model/site';
import { createRandom } from '#core/shared/random';
import { evaluateSite } from './evaluateSite';
import { morningLimitsOf } from './morningLoads';
import { morningPicture } from './morningPicture';
import { tasksNow } from './nightsNow';
import { decidedSaltmarrow } from './testDecided';

const decided = decidedSaltmarrow(await loadHighs());
/** The demo with boxes so small that what some of their cameras take today and others in the end could be too much together. */
const tight: Site = {
  ...decided,
  supply: Object.fromEntries(
    Object.entries(decided.supply).map(([id, supply]) => [id, { ...supply, ratedAmps: 0.5 }]),
  ),
};

describe('what could be asked for too much in a morning between', () => {
  it('is nothing on the demo: today and the end together stay below what there is', () => {
    const evaluation = evaluateSite(decided);
    const { migration } = tasksNow(decided, evaluation, null);
    expect(morningLimitsOf(decided, evaluation, migration, new Set())).toEqual([]);
  });
  it('adds up to what each morning shows, in whatever order things are done', () => {
    const evaluation = evaluateSite(tight);
    const { migration, tasks } = tasksNow(tight, evaluation, null);
    const limits = morningLimitsOf(tight, evaluation, migration, new Set());
    expect(limits.map(({ name }) => name)).toEqual(expect.arrayContaining(['Hall box', 'Quay box']));
    const random = createRandom(3);
    for (let round = 0; round < 12; round += 1) {
      const done = tasks.map(({ id }) => id).filter(() => random() < 0.5);
      const { loads } = morningPicture(tight, evaluation, done);
      for (const limit of limits) {
        const [carried] = carriedAfter(limit, [done]);
        const shown = loads.find(({ name, load }) => name === limit.name && load.label === limit.label);
        expect(shown?.load.used ?? 0).toBeCloseTo(carried!, 6);
      }
    }
  });
  it('counts from what is done already', () => {
    const evaluation = evaluateSite(tight);
    const { migration, tasks } = tasksNow(tight, evaluation, null);
    const done = new Set(tasks.slice(0, tasks.length / 2).map(({ id }) => id));
    const { loads } = morningPicture(tight, evaluation, [...done]);
    const limits = morningLimitsOf(tight, evaluation, migration, done);
    expect(limits.length).toBeGreaterThan(0);
    for (const limit of limits) {
      const shown = loads.find(({ name, load }) => name === limit.name && load.label === limit.label);
      expect(limit.before).toBeCloseTo(shown?.load.used ?? 0, 6);
      for (const id of done) expect(limit.changes[id]).toBeUndefined();
    }
  });
});
