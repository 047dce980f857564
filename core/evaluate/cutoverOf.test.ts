import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { nightTasks } from '#core/cutover/tasks';
import { cutoverSettingsOf, type Site } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { cutoverOf, type Cutover } from './cutoverOf';
import { evaluateSite } from './evaluateSite';
import { decidedSaltmarrow } from './testDecided';

const highs = await loadHighs();
const demo = saltmarrowSite();
const settings = cutoverSettingsOf(demo, '2026-05-11');
/** Some seconds from now: nights are found in one, and fewer are sought in the others. */
const aWhile = (): (() => number) => {
  const until = performance.now() + 6_000;
  return () => (until - performance.now()) / 1000;
};
const nightsOf = (of: Site, by = settings): Cutover => cutoverOf(highs, of, by, { secondsLeft: aWhile() });

let site: Site;
let cutover: Cutover;
beforeAll(() => {
  site = decidedSaltmarrow(highs);
  cutover = nightsOf(site);
}, 120_000);

const planned = (of: Cutover) => {
  if (of.plan.kind !== 'planned') throw new Error(`no nights: ${JSON.stringify(of.plan)}`);
  return of.plan;
};

describe('the nights of the demo', () => {
  it('hold every task that is done in a night, once', () => {
    const ids = planned(cutover).nights.flatMap(({ jobs }) => jobs.map(({ job }) => job.id));
    expect([...ids].sort()).toEqual(
      nightTasks(cutover.tasks)
        .map(({ id }) => id)
        .sort(),
    );
    expect(ids.length).toBeGreaterThan(15);
  });
  it('leave every recorder legal each morning, and end as the slots were allocated', () => {
    expect(cutover.mornings.flatMap(({ broken }) => broken)).toEqual([]);
    const last = cutover.mornings.at(-1)!;
    const { occupied } = evaluateSite(site).allocation;
    for (const [recorderId, all] of Object.entries(occupied)) {
      const slots = (of: typeof all) => of.map(({ need, slot }) => `${need.cameraId} ${slot}`).sort();
      expect(slots(last.occupied[recorderId]!)).toEqual(slots(all));
    }
  });
  it('build what cameras share before the first of them, and restart a recorder once a night', () => {
    const { nights } = planned(cutover);
    const order = new Map(
      nights.flatMap(({ jobs }, night) =>
        jobs.map(({ job, start, end }) => [job.id, { night, start, end }] as const),
      ),
    );
    for (const task of nightTasks(cutover.tasks))
      for (const need of task.needs) {
        const [mine, before] = [order.get(task.id)!, order.get(need)!];
        expect(before.night < mine.night || (before.night === mine.night && before.end <= mine.start)).toBe(
          true,
        );
      }
    for (const { jobs } of nights) {
      const restarts = jobs.flatMap(({ job }) => job.restarts ?? []);
      expect(new Set(restarts).size).toBe(restarts.length);
    }
  });
  it('send nobody alone up a ladder, and start nothing that could not be taken back', () => {
    for (const { jobs, chance } of planned(cutover).nights) {
      expect(chance).toBeGreaterThanOrEqual(0.9);
      for (const { job, team, start, latestStart } of jobs) {
        if (job.skills.includes('height')) expect(team.length).toBeGreaterThanOrEqual(2);
        expect(start).toBeLessThanOrEqual(latestStart);
      }
    }
  });
});

describe('what somebody demands', () => {
  const nightOf = (of: Cutover, id: string): number =>
    planned(of).nights.find(({ jobs }) => jobs.some(({ job }) => job.id === id))?.night ?? -1;
  const together = (of: Cutover, a: string, b: string): boolean => {
    const timed = planned(of).nights.flatMap(({ jobs }, night) => jobs.map((one) => ({ ...one, night })));
    const [first, second] = [a, b].map((id) => timed.find(({ job }) => job.id === id)!);
    return first!.night === second!.night && first!.start < second!.end && second!.start < first!.end;
  };
  const viewRule = (...cameraIds: string[]) => ({
    viewRule: { desks: { id: 'desks', name: 'Desks', cameraIds, mostDark: 1 } },
  });
  it('of views keeps them from being dark together', () => {
    // With four hands two could be done at once.
    const crewMember = Object.fromEntries(
      ['a', 'b', 'c', 'd'].map((id) => [id, { ...demo.crewMember['tolland']!, id, name: `Hand ${id}` }]),
    );
    expect(together(nightsOf({ ...demo, crewMember }), 'swap-c01', 'swap-c02')).toBe(true);
    const held = nightsOf({ ...demo, crewMember, ...viewRule('c01', 'c02') });
    expect(together(held, 'swap-c01', 'swap-c02')).toBe(false);
  });
  it('of views is said to be broken by a restart that leaves several of them dark', () => {
    const { plan } = nightsOf({ ...site, ...viewRule('c04', 'c05') });
    expect(plan.kind === 'impossible' && plan.jobs).toEqual([
      {
        id: expect.stringMatching(/^recorder-change-hall-recorder/) as string,
        why: 'leaves 2 views of Desks dark at once, and at most 1 may be',
      },
    ]);
  });
  it('of a task puts it into its night, or says that there is none', () => {
    const of = (date: string) => nightsOf({ ...demo, taskSetting: { 'swap-c01': { id: 'swap-c01', date } } });
    expect(nightOf(of('2026-05-13'), 'swap-c01')).toBe(2);
    expect(of('2026-05-14').plan).toEqual({
      kind: 'impossible',
      jobs: [{ id: 'swap-c01', why: 'is promised for 2026-05-14, on which no night begins' }],
    });
  });
  it('leaves a task out with its reason, and nobody waits for it', () => {
    const taskSetting = { 'swap-c01': { id: 'swap-c01', excluded: 'The desk moves in June.' } };
    const held = nightsOf({ ...demo, taskSetting });
    expect(nightOf(held, 'swap-c01')).toBe(-1);
    expect(held.tasks.find(({ id }) => id === 'swap-c01')?.excluded).toBe('The desk moves in June.');
  });
  it('that cannot be met is said with a way out', () => {
    expect(nightsOf({ ...site, crewMember: {} }).plan.kind).toBe('impossible');
    const one = nightsOf(site, { ...settings, mostNights: 1 }).plan;
    expect(one.kind === 'conflict' && one.message).toMatch(
      /^This cannot all be: the crew does so much in a night/,
    );
    const closed = nightsOf(site, { ...settings, weekdays: [1], blackouts: mondays() }).plan;
    expect(closed.kind === 'conflict' && closed.message).toMatch(/^No night can begin/);
  });
  /** Every Monday of two years from the first date on. */
  function mondays(): string[] {
    const first = Date.parse('2026-05-11T00:00:00Z');
    return Array.from({ length: 106 }, (_, week) =>
      new Date(first + week * 7 * 24 * 3600 * 1000).toISOString().slice(0, 10),
    );
  }
});

it('a site on which nothing is decided has no nights', () => {
  expect(nightsOf({ ...demo, choice: {}, placement: {} }).plan).toEqual({
    kind: 'nothing',
  });
});

describe('what the nights of the demo are held to', () => {
  const withRule = (over: Partial<Site['viewRule'][string]>, id = 'lanes'): Site => ({
    ...site,
    viewRule: {
      ...site.viewRule,
      [id]: {
        id,
        name: `Cover of ${id}`,
        cameraIds: ['c06', 'c07'],
        mostDark: 1,
        exceptRestarts: true,
        ...over,
      },
    },
  });
  const placesOf = (of: Cutover) =>
    new Map(
      planned(of).nights.flatMap(({ night, jobs }) =>
        jobs.map(({ job, start, end }) => [job.id, { night, start, end }] as const),
      ),
    );
  it('is a cover that is changed before what it watches over, and never dark with it', () => {
    const at = placesOf(nightsOf(withRule({ coverId: 'c08' })));
    const cover = at.get('swap-c08')!;
    for (const id of ['swap-c06', 'swap-c07']) {
      const { night, start } = at.get(id)!;
      expect(cover.night < night || (cover.night === night && cover.end <= start)).toBe(true);
    }
  }, 60_000);
  it('are not two views that cover each other: that is said with its way out', () => {
    const both = withRule({ coverId: 'c08' });
    const rule = { id: 'back', name: 'And back', cameraIds: ['c08', 'c09'], mostDark: 1, coverId: 'c06' };
    const { plan } = nightsOf({
      ...both,
      viewRule: { ...both.viewRule, back: { ...rule, exceptRestarts: true } },
    });
    expect(plan).toMatchObject({ kind: 'impossible' });
    expect(JSON.stringify(plan)).toMatch(
      /waits for [^,]+: change over, and that for [^,]+: change over: take out one of the covers/,
    );
  }, 60_000);
  it('is the night of the lift, and what is ordered in time', () => {
    const liftDates = ['2026-05-12', '2026-05-25', '2026-05-26', '2026-05-27', '2026-05-28'];
    const lifted = nightsOf(site, { ...settings, liftDates });
    const dates = planned(lifted).nights.flatMap(({ night, jobs }) =>
      jobs.some(({ job }) => job.lift !== null) ? [lifted.dates[night]] : [],
    );
    expect(dates.length).toBeGreaterThan(0);
    expect(liftDates).toEqual(expect.arrayContaining(dates));
    const late = nightsOf(site, { ...settings, orderedOn: '2027-01-01' }).plan;
    expect(late).toMatchObject({ kind: 'impossible' });
    expect(JSON.stringify(late)).toContain('has no night left to it: ordered on 2027-01-01');
  }, 60_000);
});
