import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { gateDefinitions } from '#core/cutover/gates';
import { taskTitle } from '#core/cutover/words';
import { agreePlan, cutoverOf, evaluateSite, nightsFound, type NightsNow } from '#core/evaluate';
import { beginTask, cutoverSettingsOf, endTask, gates, withChanges, type Site } from '#core/model/site';
import { decidedSaltmarrow } from '../evaluate/testDecided';
import { makePaper, paperContext, tablesOf, type Paper, type PaperMoment } from '.';

const today = '2026-05-04';
const moment = (now = `${today}T10:00:00Z`): PaperMoment => ({
  on: now.slice(0, 10),
  measures: { length: 'm', gauge: 'mm2' },
  clock: { now: Date.parse(now), beginOf: (date, time) => Date.parse(`${date}T${time}:00Z`) },
  pageOf: (runId) => `https://localhost/site/x/survey/${runId}`,
});

let decided: Site;
let agreed: Site;
let nights: NightsNow;
let paper: Paper;
const workOf = (site: Site, of: PaperMoment): { paper: Paper; nights: NightsNow } => {
  const context = paperContext(site, evaluateSite(site), of);
  return { paper: makePaper('work', context), nights: context.nights() };
};
beforeAll(async () => {
  const highs = await loadHighs();
  decided = decidedSaltmarrow(highs);
  const settings = cutoverSettingsOf(decided, today);
  const cutover = cutoverOf(highs, decided, settings, { secondsLeft: () => 0 });
  if (cutover.plan.kind !== 'planned') throw new Error(cutover.plan.kind);
  agreed = withChanges(decided, agreePlan(decided, nightsFound(cutover.plan.nights, cutover, 0), settings));
  ({ paper, nights } = workOf(agreed, moment()));
}, 120_000);

const headings = (of: Paper, level: number): string[] =>
  of.blocks.flatMap((block) => (block.kind === 'heading' && block.level === level ? [block.text] : []));
const table = (of: Paper, name: string) => tablesOf(of).find((one) => one.name === name);
const minutesOf = (clock: string): number => {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number];
  return 60 * hours + minutes;
};

describe('orders of work', () => {
  it('have a page for each night, with its date and how sure it is', () => {
    expect(headings(paper, 1)).toEqual(nights.nights.map(({ date }, k) => `Night ${k + 1}, ${date}`));
    for (const { chance } of nights.nights)
      expect(JSON.stringify(paper.blocks)).toContain(
        `ends within the shift with ${Math.floor(100 * chance)} %`,
      );
  });
  it('have every task of a night in its table, in order, none after its latest start', () => {
    const titleOf = new Map(nights.tasks.map((task) => [task.id, taskTitle(task)]));
    for (const { date, jobs } of nights.nights) {
      const { rows } = table(paper, `Night of ${date}`)!;
      expect(rows.map((row) => row[2])).toEqual(jobs.map(({ job }) => titleOf.get(job.id)));
      const start = minutesOf(nights.settings.shift.start);
      const sinceStart = (clock: string | number | null | undefined): number =>
        (minutesOf(String(clock)) - start + 24 * 60) % (24 * 60);
      for (const [begins, latest, , who] of rows) {
        expect(sinceStart(begins)).toBeLessThanOrEqual(sinceStart(latest));
        expect(String(who)).not.toBe('');
      }
    }
  });
  it('have a card for each task: what is looked at, how it is left, and no bare id', () => {
    const cards = headings(paper, 2);
    for (const { job } of nights.nights.flatMap(({ jobs }) => jobs)) {
      const task = nights.tasks.find(({ id }) => id === job.id)!;
      expect(cards.filter((text) => text === taskTitle(task))).not.toEqual([]);
      expect(cards).not.toContain(task.id);
    }
    const checks = paper.blocks.filter(({ kind }) => kind === 'checks');
    const jobs = nights.nights.reduce((sum, night) => sum + night.jobs.length, 0);
    expect(checks).toHaveLength(jobs + gates.length * nights.nights.length);
  });
  it('have both gates of each night with who says go, and defer to licensed people', () => {
    for (const gate of gates)
      expect(headings(paper, 2).filter((text) => text === gateDefinitions[gate].label)).toHaveLength(
        nights.nights.length,
      );
    const licensed = paper.blocks.filter(
      (block) =>
        block.kind === 'caution' && block.items.some((words) => /licensed people, by local code/.test(words)),
    );
    expect(licensed).toHaveLength(nights.nights.length);
  });
  it('say what comes before the nights, the earliest first', () => {
    const { rows } = table(paper, 'Before the nights')!;
    const begun = rows.map((row) => String(row[1]));
    expect(begun).toEqual([...begun].sort());
    expect(begun.every((date) => /^2026-\d\d-\d\d$/.test(date))).toBe(true);
    expect(rows.length).toBe(Object.keys(nights.startBy).length);
  });
  it('of one night are of that night alone', () => {
    const { date } = nights.nights[1]!;
    const { paper: one } = workOf(agreed, { ...moment(), night: date });
    expect(headings(one, 1)).toEqual([`Night 2, ${date}`]);
    expect(table(one, 'Before the nights')).toBeUndefined();
  });
  it('leave out a night that is over, and keep the number of those to come', () => {
    const [{ date, jobs }] = nights.nights as [NightsNow['nights'][0]];
    const worked = jobs.reduce((site, { job: { id } }) => {
      const at = { at: `${date}T22:00:00Z`, by: 'B. Quay' };
      const begun = withChanges(site, beginTask(site, id, date, at));
      return withChanges(begun, endTask(begun, id, 'done', { ...at, at: `${date}T23:00:00Z` }));
    }, agreed);
    const next = new Date(Date.parse(`${date}T12:00:00Z`) + 86_400_000).toISOString();
    const { paper: rest } = workOf(worked, moment(next));
    expect(headings(rest, 1)[0]).toBe(`Night 2, ${nights.nights[1]!.date}`);
    expect(headings(rest, 1)).toHaveLength(nights.nights.length - 1);
  });
  it('say that nothing is agreed, and which tasks are in no night', () => {
    expect(paper.open).toEqual([]);
    const none = workOf(decided, moment()).paper;
    expect(none.open[0]).toBe('No night is agreed yet.');
    expect(headings(none, 1)).toEqual([]);
    const [first, ...others] = Object.values(agreed.plannedNight);
    const [, ...jobs] = first!.jobs;
    const plannedNight = Object.fromEntries([{ ...first!, jobs }, ...others].map((one) => [one.id, one]));
    expect(workOf({ ...agreed, plannedNight }, moment()).paper.open[0]).toBe('1 task is in no night.');
  });
});
