import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { dayAfter } from '#core/cutover/nights';
import { pickList, orderList, runLabels } from '#core/cutover/lists';
import { objectionInWords } from '#core/cutover/words';
import {
  allocationSettingsOf,
  applyChanges,
  beginTask,
  camerasPerNight,
  cutoverSettingsOf,
  endTask,
  parseSiteFile,
  removeCrewMember,
  setAllocationSettings,
  tickTask,
  toSiteFile,
  withChanges,
  type Change,
  type Site,
} from '#core/model/site';
import { agreePlan, planFrom } from './agreePlan';
import { cutoverOf, nightsFound } from './cutoverOf';
import { devicePlanAt } from './devicePlanAt';
import { evaluateSite, type SiteEvaluation } from './evaluateSite';
import { morningPicture } from './morningPicture';
import { moveTask } from './moveTask';
import { nightHelp } from './nightHelp';
import { nightsNow, tasksNow, type KnownChances, type NightsNow } from './nightsNow';
import { decidedSaltmarrow } from './testDecided';

const highs = await loadHighs();
const today = '2026-05-04';
const utc = (date: string, time: string): number => Date.parse(`${date}T${time}:00Z`);
const clockAt = (now: string) => ({ now: Date.parse(now), beginOf: utc });
const chances: KnownChances = new Map();
const lookAt = (site: Site, evaluation: SiteEvaluation, now: string): NightsNow =>
  nightsNow(site, evaluation, now.slice(0, 10), clockAt(now), chances);

let undecided: Site;
let site: Site;
let evaluation: SiteEvaluation;
let now: NightsNow;
beforeAll(() => {
  undecided = decidedSaltmarrow(highs);
  evaluation = evaluateSite(undecided);
  const settings = cutoverSettingsOf(undecided, today);
  // No time to look for fewer: any nights that hold will do here.
  const cutover = cutoverOf(highs, undecided, settings, { secondsLeft: () => 0 });
  if (cutover.plan.kind !== 'planned') throw new Error(JSON.stringify(cutover.plan));
  const found = nightsFound(cutover.plan.nights, cutover, 0);
  site = withChanges(undecided, agreePlan(undecided, found, settings));
  now = lookAt(site, evaluation, `${today}T10:00:00Z`);
}, 120_000);

const isSound = (of: Site, changes: readonly Change[]) => applyChanges(of, changes).kind === 'sound';
const doing = (at: string) => ({ at, by: 'B. Quay' });
/** The first night, with its first job begun and ended so. */
function worked(how: 'done' | 'put-back'): { after: Site; taskId: string; date: string } {
  const [{ date, jobs }] = now.nights as [NightsNow['nights'][0]];
  const taskId = jobs[0]!.job.id;
  const begun = withChanges(site, beginTask(site, taskId, date, doing(`${date}T21:05:00Z`)));
  const after = withChanges(begun, endTask(begun, taskId, how, doing(`${date}T23:00:00Z`)));
  return { after, taskId, date };
}

describe('nights that were agreed', () => {
  it('hold every task of the nights once, with times, chances and nothing against them', () => {
    expect(now.inNone).toEqual([]);
    expect(now.gone).toEqual([]);
    expect(now.nights.flatMap(({ objections }) => objections)).toEqual([]);
    for (const { chance, end } of now.nights) {
      expect(chance).toBeGreaterThanOrEqual(0.9);
      expect(end).toBeLessThanOrEqual(480);
    }
    expect(now.totals.all).toBe(now.nights.reduce((sum, { jobs }) => sum + jobs.length, 0));
  });
  it('are the same out of a file that was written of them', () => {
    const read = parseSiteFile(JSON.stringify(toSiteFile(site)));
    expect(read.kind === 'sound' && lookAt(read.value, evaluation, `${today}T10:00:00Z`)).toEqual(now);
  });
  it('leave what the plan leaves in the last morning, in recorders, network and power', () => {
    const ids = now.nights.flatMap(({ jobs }) => jobs.map(({ job }) => job.id));
    const { wrong, recorders } = morningPicture(site, evaluation, ids);
    expect(wrong).toEqual([]);
    const onSlots = recorders.flatMap(({ recorder, slots }) =>
      slots.flatMap(({ slot, occupants }) => occupants.map(({ need }) => [need.cameraId, recorder.id, slot])),
    );
    for (const [cameraId, recorderId, slot] of onSlots)
      if (site.placement[String(cameraId)])
        expect(site.placement[String(cameraId)]).toMatchObject({ recorderId, slot });
  });
  it('are open dates from today on, and from the day after the last night that was worked in', () => {
    const settings = cutoverSettingsOf(site, today);
    expect(planFrom(site, settings, '2026-06-01', clockAt('2026-06-01T10:00:00Z'))).toBe('2026-06-01');
    // The shift of that day has begun: its night is none to plan into any more.
    expect(planFrom(site, settings, '2026-06-01', clockAt('2026-06-01T21:30:00Z'))).toBe('2026-06-02');
    const { after, date } = worked('done');
    expect(planFrom(after, settings, today, clockAt(`${today}T10:00:00Z`)) > date).toBe(true);
  });
  it('name what should have begun before them, as long as it is not done and something waits for it', () => {
    const lateOn = (of: Site, date: string) => lookAt(of, evaluation, `${date}T10:00:00Z`).late;
    expect(lateOn(site, '2026-03-01')).toEqual([]);
    const late = lateOn(site, today);
    expect(late.length).toBeGreaterThan(0);
    for (const id of late) expect(now.startBy[id]! < today).toBe(true);
    const order = late.find((id) => now.tasks.find((task) => task.id === id)!.kind === 'order')!;
    const ordered = withChanges(site, tickTask(site, order, today, true, doing(`${today}T09:00:00Z`)));
    expect(lateOn(ordered, today)).not.toContain(order);
    const setting = { id: order, excluded: 'the customer has them' };
    const leftOut = withChanges(site, [{ kind: 'taskSetting', id: order, set: setting }]);
    expect(lateOn(leftOut, today)).not.toContain(order);
    const everyNight = now.nights.flatMap(({ date, jobs }) => jobs.map(({ job }) => [job.id, date] as const));
    const over = everyNight.reduce(
      (at, [id, date]) => withChanges(at, tickTask(at, id, date, true, doing(`${date}T23:00:00Z`))),
      site,
    );
    expect(lateOn(over, '2026-09-01')).toEqual([]);
  });
  it('are objected to where the clocks change in them: their hours are not what they say', () => {
    const [first, second] = now.nights;
    // Clocks go forward at three in the morning after the first night.
    const change = utc(dayAfter(first!.date), '03:00');
    const beginOf = (date: string, time: string) =>
      utc(date, time) - (utc(date, time) >= change ? 60 * 60_000 : 0);
    const moment = Date.parse(`${today}T10:00:00Z`);
    const { nights } = nightsNow(site, evaluation, today, { now: moment, beginOf }, chances);
    expect(nights[0]!.objections).toEqual([{ kind: 'clock-change', minutes: -60 }, ...first!.objections]);
    expect(nights[1]!.objections).toEqual(second!.objections);
    const name = () => '';
    const names = { task: name, person: name, thing: name, night: name, clock: name };
    expect(objectionInWords(nights[0]!.objections[0]!, names)).toMatch(
      /its shift is 60 min shorter than it says/,
    );
  });
  it('go on without somebody who leaves: what he was to do is in no night then', () => {
    const without = withChanges(site, removeCrewMember(site, 'tolland'));
    expect(isSound(site, removeCrewMember(site, 'tolland'))).toBe(true);
    const after = lookAt(without, evaluation, `${today}T10:00:00Z`);
    expect(after.nights.flatMap(({ objections }) => objections.map(({ kind }) => kind))).toContain('people');
  });
});

describe('how many cameras a night holds', () => {
  const joins = (steps: readonly { kind: string }[]) => steps.filter(({ kind }) => kind === 'join').length;
  it('stays as wished when fewer at once are planned, and is as planned for what comes of it', () => {
    const settings = cutoverSettingsOf(undecided, today);
    const found = { nights: [], perNight: 2, least: 0 };
    const planned = withChanges(undecided, agreePlan(undecided, found, settings));
    expect(allocationSettingsOf(planned)).toMatchObject({ perNight: 6, asPlanned: 2 });
    const { migration } = tasksNow(planned, evaluation, null);
    expect(Math.max(...migration.nights.map(({ steps }) => joins(steps)))).toBeLessThanOrEqual(2);
    // Another wish is for the nights to come.
    const wished = withChanges(planned, [setAllocationSettings(planned, { perNight: 4 })]);
    expect(camerasPerNight(allocationSettingsOf(wished))).toBe(4);
  });
});

describe('a night that is worked', () => {
  it('says what is dark now and since when, and what is done', () => {
    const [{ date, jobs }] = now.nights as [NightsNow['nights'][0]];
    const taskId = jobs.find(({ job }) => job.dark.length > 0)!.job.id;
    const begun = withChanges(site, beginTask(site, taskId, date, doing(`${date}T21:10:00Z`)));
    const at = lookAt(begun, evaluation, `${date}T22:00:00Z`).nights[0]!;
    expect(at.state).toBe('under-way');
    expect(at.darkNow[0]!.since).toBe(10);
    const ended = withChanges(begun, endTask(begun, taskId, 'done', doing(`${date}T22:30:00Z`)));
    const after = lookAt(ended, evaluation, `${date}T22:40:00Z`);
    expect(after.nights[0]!.darkNow).toEqual([]);
    expect(after.nights[0]!.actual[taskId]).toEqual({ start: 10, end: 90, how: 'done' });
    expect(after.totals.done).toBe(1);
  });
  it('moves what comes after when one task takes longer than it should', () => {
    const [{ date, jobs }] = now.nights as [NightsNow['nights'][0]];
    const begun = withChanges(site, beginTask(site, jobs[0]!.job.id, date, doing(`${date}T21:00:00Z`)));
    const late = lookAt(begun, evaluation, `${date}T02:00:00Z`.replace(date, '2026-05-12')).nights[0]!;
    expect(late.jobs[0]!.end).toBe(300);
    expect(late.jobs[1]!.start).toBeGreaterThanOrEqual(300);
  });
  it('is planned on from: what holds stays done, what was put back is planned again', () => {
    const settings = cutoverSettingsOf(site, today);
    const plannedAfter = (of: Site) => {
      const from = planFrom(of, settings, today, clockAt(`${today}T10:00:00Z`));
      const again = cutoverOf(highs, of, { ...settings, from }, { secondsLeft: () => 0 });
      if (again.plan.kind !== 'planned') throw new Error(again.plan.kind);
      return withChanges(of, agreePlan(of, nightsFound(again.plan.nights, again, 0), settings));
    };
    const nightsWith = (of: Site, id: string) =>
      Object.values(of.plannedNight).filter(({ jobs }) => jobs.some(({ taskId }) => taskId === id)).length;
    const done = worked('done');
    expect(nightsWith(plannedAfter(done.after), done.taskId)).toBe(1);
    const back = worked('put-back');
    const again = plannedAfter(back.after);
    // Where it was tried it stays on record, and it has another night.
    expect(nightsWith(again, back.taskId)).toBe(2);
    const looked = lookAt(again, evaluation, `${back.date}T23:30:00Z`);
    expect(looked.inNone).toEqual([]);
    expect(looked.nights.flatMap(({ objections }) => objections)).toEqual([]);
  }, 60_000);
});

describe('a recorder whose inputs were turned', () => {
  const turn = () => now.tasks.find(({ kind }) => kind === 'recorder-change')!;
  /** Everything that has to be done before a task, however far back. */
  const allNeeds = (id: string): string[] => {
    const { needs } = now.tasks.find((task) => task.id === id)!;
    return [...new Set([...needs.flatMap(allNeeds), ...needs])];
  };
  const tied = () => now.tasks.filter(({ sameNight }) => sameNight === turn().id);
  /** The site with these tasks done, and then some under way. */
  function after(done: readonly string[], underWay: readonly string[] = []): Site {
    const date = now.nights[0]!.date;
    const ended = done.reduce((so, id) => {
      const begun = withChanges(so, beginTask(so, id, date, doing(`${date}T21:00:00Z`)));
      return withChanges(begun, endTask(begun, id, 'done', doing(`${date}T22:00:00Z`)));
    }, site);
    return underWay.reduce(
      (so, id) => withChanges(so, beginTask(so, id, date, doing(`${date}T22:00:00Z`))),
      withAddresses(ended),
    );
  }
  const withAddresses = (of: Site): Site => ({
    ...of,
    networkConfig: Object.fromEntries(
      Object.values(of.camera).map(({ id, number }) => [
        id,
        { id, address: `10.20.0.${100 + number}`, passwordHeldBy: 'R. Tolland' },
      ]),
    ),
  });
  const planAt = (of: Site) => {
    const planned = devicePlanAt(of, evaluateSite(of), turn().recorderId!, 'now');
    if (planned.kind !== 'plan') throw new Error(planned.why);
    return planned.plan;
  };

  it('is told what is done and under way, and no camera of a later night', () => {
    const before = planAt(after([]));
    expect(before.ipInputs).toEqual([]);
    expect(before.channels.filter(({ kind }) => kind === 'ip')).toEqual([]);
    const turned = planAt(after(allNeeds(turn().id), [turn().id]));
    expect(turned.ipInputs.length).toBeGreaterThan(0);
    // On an input that is IP there is no coax channel: whoever is still on it is dark.
    const coax = turned.channels.filter(({ kind }) => kind === 'coax').map(({ slot }) => slot);
    expect(coax.filter((slot) => turned.ipInputs.includes(slot))).toEqual([]);
  });
  it('holds the plan when all is done', () => {
    const all = now.nights.flatMap(({ jobs }) => jobs.map(({ job }) => job.id));
    const whole = after(all);
    const recorderId = turn().recorderId!;
    expect(planAt(whole)).toEqual(endPlan(whole, recorderId));
  });
  it('with a camera that was not changed: the morning says that it is dark', () => {
    const [first] = tied();
    if (!first) throw new Error('no camera changes under the turn');
    const { wrong } = morningPicture(site, evaluation, [...allNeeds(turn().id), turn().id]);
    const number = site.camera[first.cameraId!]!.number;
    expect(wrong.join(' ')).toContain(`Camera ${number} is dark: it sends coax into input`);
  });
  function endPlan(of: Site, recorderId: string) {
    const planned = devicePlanAt(of, evaluateSite(of), recorderId, 'end');
    if (planned.kind !== 'plan') throw new Error(planned.why);
    return planned.plan;
  }
});

describe('a task that is moved', () => {
  const words = (task: string, date: string, crewId: string | null = null) => {
    const moved = moveTask(site, evaluation, now, task, { date, crewId });
    if (moved.kind === 'moved') return 'moved';
    return moved.objections
      .map((one) =>
        objectionInWords(one, {
          task: (id) => id,
          person: (id) => id,
          thing: (id) => id,
          night: (night) => now.dates[night] ?? '?',
          clock: String,
        }),
      )
      .join(' ');
  };
  const nightOf = (id: string) => now.nights.find(({ jobs }) => jobs.some(({ job }) => job.id === id))!;
  const freeDate = () => now.dates.find((date) => !now.nights.some((night) => night.date === date))!;

  it('to a night that is free goes there, and is promised for it', () => {
    const moved = moveTask(site, evaluation, now, 'swap-c12', { date: freeDate(), crewId: null });
    if (moved.kind !== 'moved') throw new Error(JSON.stringify(moved));
    expect(isSound(site, moved.changes)).toBe(true);
    const after = withChanges(site, moved.changes);
    expect(after.taskSetting['swap-c12']!.date).toBe(freeDate());
    expect(after.plannedNight[freeDate()]!.jobs.map(({ taskId }) => taskId)).toEqual(['swap-c12']);
    expect(
      after.plannedNight[nightOf('swap-c12').date]?.jobs.map(({ taskId }) => taskId) ?? [],
    ).not.toContain('swap-c12');
  });
  it('away from the night in which its input turns is refused with the rule', () => {
    const tied = now.tasks.find(({ sameNight }) => sameNight !== null)!;
    expect(words(tied.id, freeDate())).toMatch(
      /has to be in the night of recorder-change.*its input turns under it/,
    );
  });
  it('before what it waits for is refused with the rule', () => {
    const waits = now.tasks.find(({ kind, needs }) => kind === 'recorder-change' && needs.length > 0)!;
    const first = now.nights[0]!.date;
    if (nightOf(waits.id).date === first) throw new Error('the change is in the first night already');
    expect(words(waits.id, first)).toMatch(/has to wait for/);
  });
  it('into a night that is full, or to somebody who cannot, is refused with the rule', () => {
    const full = now.nights.reduce((a, b) => (a.end > b.end ? a : b));
    const other = now.nights.find(({ jobs }) => jobs.some(({ job }) => job.id === 'swap-c23'))!;
    if (full !== other)
      expect(words('swap-c23', full.date)).toMatch(/no time left to go back|ends within the shift/);
    const change = now.tasks.find(({ kind }) => kind === 'recorder-change')!;
    expect(words(change.id, nightOf(change.id).date, 'quay')).toMatch(
      /needs somebody who works on recorders and switches/,
    );
  });
  it('into a night that has begun is refused: what still goes into it the plan does not say', () => {
    const [{ date }] = now.nights as [NightsNow['nights'][0]];
    const begun = lookAt(site, evaluation, `${date}T21:30:00Z`);
    const other = now.nights.at(-1)!.jobs[0]!.job.id;
    expect(moveTask(site, evaluation, begun, other, { date, crewId: null })).toEqual({
      kind: 'refused',
      objections: [{ kind: 'begun' }],
    });
  });
  it('on a date that no night begins on is refused', () => {
    expect(words('swap-c12', '2026-05-14')).toMatch(/No night begins on this date/);
  });
});

describe('lists of the nights', () => {
  it('take along the parts of a night with a spare of each, and what is known to work', () => {
    const rows = pickList(site, evaluation.runs, new Set(['c12', 'c13']));
    const counts = new Map(rows.map(({ label, count, spare }) => [label, { count, spare }]));
    expect(counts.get('Camera mount and fixings')).toEqual({ count: 3, spare: 1 });
    expect(counts.get('Converter, known good')).toEqual({ count: 1, spare: 0 });
    expect([...counts.keys()].join()).not.toMatch(/Disposal|Lift hire/);
  });
  it('order everything that is bought, each by the night that needs it first', () => {
    const rows = orderList(
      site,
      evaluation.runs,
      evaluation.total,
      new Map([
        ['c12', '2026-05-20'],
        ['c13', '2026-05-18'],
      ]),
    );
    expect(rows.map(({ count }) => count)).toEqual(
      expect.arrayContaining(evaluation.total.parts.map(({ count }) => Math.ceil(count))),
    );
    expect(rows.every(({ neededBy }) => neededBy !== null)).toBe(true);
    expect(rows[0]!.neededBy).toBe('2026-05-18');
  });
  it('label both ends of each run', () => {
    expect(runLabels(site, new Set(['c12'])).map(({ end, number }) => [number, end])).toEqual([
      [12, 'head end'],
      [12, 'camera'],
    ]);
  });
});

describe('what helps a night that is not sure enough', () => {
  /** The second night with its first task taking so long that it will hardly end in time. */
  function unsure(): { date: string; longer: Site; at: NightsNow } {
    const { date, jobs } = now.nights.find((night) => night.jobs.length > 1)!;
    const { id, minutes } = jobs[0]!.job;
    const high = minutes.high + 200;
    const setting = { id, minutes: { low: minutes.low, likely: minutes.likely + 60, high } };
    const longer: Site = { ...site, taskSetting: { ...site.taskSetting, [id]: setting } };
    return { date, longer, at: lookAt(longer, evaluation, `${today}T10:00:00Z`) };
  }
  it('is a task that goes where no rule is against it, and the night is as sure as was said', () => {
    const { date, longer, at } = unsure();
    const night = at.nights.find((one) => one.date === date)!;
    expect(night.objections).toContainEqual(expect.objectContaining({ kind: 'unsure' }));
    const help = nightHelp(longer, evaluation, at, date);
    expect(help.length).toBeGreaterThan(0);
    for (const { taskId, to, chance, there } of help) {
      const moved = moveTask(longer, evaluation, at, taskId, { date: to, crewId: null });
      if (moved.kind === 'refused') throw new Error('the move is refused');
      const after = lookAt(withChanges(longer, moved.changes), evaluation, `${today}T10:00:00Z`);
      const chanceOn = (on: string) => after.nights.find((one) => one.date === on)?.chance ?? 1;
      expect([chanceOn(date), chanceOn(to)]).toEqual([chance, there]);
      expect(chance).toBeGreaterThan(night.chance);
    }
  });
  it('is nothing for a night that is over or none', () => {
    const { longer, at } = unsure();
    expect(nightHelp(longer, evaluation, at, '2027-01-01')).toEqual([]);
  });
});
