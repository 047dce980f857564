import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { agreeNights, beginTask, endTask, withChanges, type Site } from '#core/model/site';
import { evaluateSite, type SiteEvaluation } from './evaluateSite';
import { momentOf, type NetworkMoment } from './momentOf';
import { moves, type Move } from './morningLoads';
import { migrationOfSite } from './slotAllocation';
import { decidedSaltmarrow } from './testDecided';

const dates = ['2026-05-12', '2026-05-13', '2026-05-14'] as const;
const doing = (date: string, hour: string) => ({ at: `${date}T${hour}:00:00Z`, by: 'B. Quay' });

let decided: Site;
let evaluation: SiteEvaluation;
let all: Move[];
/** The last three cameras of the order of moves, a night each: not the order that Allocate shows. */
let site: Site;
beforeAll(async () => {
  decided = decidedSaltmarrow(await loadHighs());
  evaluation = evaluateSite(decided);
  all = moves(migrationOfSite(decided, evaluation.allocation));
  const last = all.slice(-3).reverse();
  const nights = dates.map((date, k) => ({ date, jobs: [{ taskId: last[k]!.taskId, crewIds: [] }] }));
  site = withChanges(decided, agreeNights(decided, nights));
}, 60_000);

const movedAt = (of: Site, at: NetworkMoment): string[] => {
  const { moment } = momentOf(of, evaluation, at);
  return moment.kind === 'morning' ? [...moment.moved] : [moment.kind];
};
const morning = (night: number): NetworkMoment => ({ kind: 'morning', night });
const camera = (night: number): string => all.at(-night)!.cameraId;
/** The job of a night, tried in it, and how that ended. */
const tried = (of: Site, night: 1 | 2 | 3, how: 'done' | 'put-back'): Site => {
  const date = dates[night - 1]!;
  const { taskId } = all.at(-night)!;
  const begun = withChanges(of, beginTask(of, taskId, date, doing(date, '21')));
  return withChanges(begun, endTask(begun, taskId, how, doing(date, '22')));
};

describe('the mornings of a change', () => {
  it('follow the order of moves before any night is agreed', () => {
    const { ahead } = momentOf(decided, evaluation, { kind: 'after' });
    expect(ahead.nights.length).toBeGreaterThan(1);
    expect(new Set(ahead.nights)).toEqual(new Set([null]));
    expect(movedAt(decided, morning(ahead.nights.length))).toHaveLength(all.length);
    expect(movedAt(decided, morning(1)).length).toBeLessThan(all.length);
  });
  it('follow the nights that were agreed, by their dates', () => {
    expect(momentOf(site, evaluation, { kind: 'after' }).ahead).toEqual({ nights: dates, isBegun: false });
    expect(movedAt(site, morning(1))).toEqual([camera(1)]);
    expect(new Set(movedAt(site, morning(3)))).toEqual(new Set([camera(1), camera(2), camera(3)]));
  });
  it('leave today and the end as they are', () => {
    expect(movedAt(site, { kind: 'today' })).toEqual(['today']);
    expect(movedAt(site, { kind: 'after' })).toEqual(['after']);
  });
});

describe('now', () => {
  it('holds what is done, and no more', () => {
    expect(movedAt(site, { kind: 'now' })).toEqual([]);
    const after = tried(site, 1, 'done');
    expect(movedAt(after, { kind: 'now' })).toEqual([camera(1)]);
    expect(momentOf(after, evaluation, { kind: 'now' }).ahead.isBegun).toBe(true);
  });
  it('holds nothing that was put back, and nor does its morning', () => {
    const after = tried(site, 1, 'put-back');
    expect(movedAt(after, { kind: 'now' })).toEqual([]);
    expect(movedAt(after, morning(1))).toEqual([]);
  });
  it('leads to a later night for what was put back, once it is planned there again', () => {
    const again = { date: dates[2], jobs: [{ taskId: all.at(-1)!.taskId, crewIds: [] }] };
    const after = tried(site, 1, 'put-back');
    const planned = withChanges(
      after,
      agreeNights(after, [
        ...Object.values(after.plannedNight).filter(({ date }) => date !== dates[2]),
        again,
      ]),
    );
    expect(movedAt(planned, morning(2))).toEqual([camera(2)]);
    expect(new Set(movedAt(planned, morning(3)))).toEqual(new Set([camera(1), camera(2)]));
  });
  it('is what every night that is over left: what was not begun in it is not so', () => {
    const after = tried(site, 2, 'done');
    expect(movedAt(after, morning(1))).toEqual([]);
    expect(movedAt(after, morning(2))).toEqual([camera(2)]);
    expect(new Set(movedAt(after, morning(3)))).toEqual(new Set([camera(2), camera(3)]));
  });
});
