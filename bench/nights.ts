import loadHighs from 'highs';
import { agreePlan, cutoverOf, nightRulesOf, nightsFound } from '#core/evaluate';
import {
  chanceOf,
  darkMinutes,
  leastDark,
  planNights,
  sequenceNight,
  type NightRules,
  type NightsPlan,
  type PlannedNight,
} from '#core/cutover/nights';
import { nightTasks, type Task } from '#core/cutover/tasks';
import { proofInWords } from '#core/cutover/words';
import { cutoverSettingsOf, withChanges, type CrewMember, type Site, type TaskTry } from '#core/model/site';
import type { Row } from './measure';
import { decidedDemo } from './sites';

const highs = await loadHighs();

/** Tasks that have to be in one night. */
function groupsOf(tasks: readonly Task[]): Task[][] {
  const groups = new Map<string, Task[]>();
  for (const task of tasks) {
    const key = task.sameNight ?? task.id;
    groups.set(key, [...(groups.get(key) ?? []), task]);
  }
  return [...groups.values()];
}

/** Nights as a crew fills them without a plan: the highest camera first, then by place, until no more goes into the night. */
function plainNights(site: Site, crew: readonly CrewMember[], tasks: readonly Task[], rules: NightRules) {
  const highest = (group: readonly Task[]) =>
    Math.max(...group.map(({ cameraId }) => site.camera[cameraId ?? '']?.number ?? Infinity));
  let left = groupsOf(tasks).sort((a, b) => highest(b) - highest(a));
  const done = new Set<string>();
  const nights: PlannedNight['jobs'][] = [];
  while (left.length > 0 && nights.length < 60) {
    let night: { tasks: Task[]; jobs: PlannedNight['jobs'] } = { tasks: [], jobs: [] };
    for (const group of left) {
      const wanted = [...night.tasks, ...group];
      const ids = new Set(wanted.map(({ id }) => id));
      if (!group.every(({ needs }) => needs.every((id) => done.has(id) || ids.has(id)))) continue;
      const { sequence } = sequenceNight(wanted, crew, rules);
      if (sequence && chanceOf(sequence.jobs, rules) >= rules.sureChance)
        night = { tasks: wanted, jobs: sequence.jobs };
    }
    if (night.tasks.length === 0) return null;
    for (const { id } of night.tasks) done.add(id);
    left = left.filter(([first]) => !done.has(first!.id));
    nights.push(night.jobs);
  }
  return nights;
}

type NightJobs = readonly PlannedNight['jobs'][];

/** What is spared against nights that are filled without a plan. */
function againstPlain(
  nights: NightJobs,
  plain: NightJobs | null,
  crew: readonly CrewMember[],
  rules: NightRules,
): Row {
  const dark = (some: NightJobs) => some.reduce((sum, jobs) => sum + darkMinutes(jobs, {}), 0);
  const [ours, theirs] = [dark(nights), plain ? dark(plain) : NaN];
  const least = leastDark(
    nights.flat().map(({ job }) => job),
    crew,
    rules,
  );
  return {
    figure: `nights, and dark view-minutes, against the highest camera first, a crew of ${crew.length}`,
    measured: `${nights.length} to ${plain?.length ?? 'none'}, ${ours.toFixed(0)} to ${theirs.toFixed(0)} min, of which ${least.toFixed(0)} in any nights`,
    wanted: 'a quarter fewer of one of them',
    holds: nights.length <= 0.75 * (plain?.length ?? Infinity) || ours <= 0.75 * theirs,
  };
}

/** The demo with a crew of so many, of whom all but the first two are alike. */
function withCrew(site: Site, count: number): Site {
  const known = Object.values(site.crewMember);
  const others = Array.from({ length: count - known.length }, (_, k): CrewMember => {
    const id = `hand-${k + 1}`;
    return { id, name: `Hand ${k + 1}`, skills: ['cable', 'height'] };
  });
  return { ...site, crewMember: Object.fromEntries([...known, ...others].map((one) => [one.id, one])) };
}

/** So many sites like the demo beside each other, as one job: every task with its places, needs and restarts of its own. */
const copies = (tasks: readonly Task[], count: number): Task[] =>
  Array.from({ length: count }, (_, k) => {
    const own = (id: string) => `${id} of ${k}`;
    const orNull = (id: string | null) => (id === null ? null : own(id));
    return tasks.map((task) => ({
      ...task,
      id: own(task.id),
      place: own(task.place),
      needs: task.needs.map(own),
      dark: task.dark.map(({ view, minutes }) => ({ view: own(view), minutes })),
      sameNight: orNull(task.sameNight),
      restarts: orNull(task.restarts),
      lift: orNull(task.lift),
    }));
  }).flat();

const seconds = (from: number): number => (performance.now() - from) / 1000;

/** Runs something that may search for so many seconds, and says after how many it knew how few nights there have to be. */
function timed(
  most: number,
  run: (left: () => number, better: (nights: number, least: number) => void) => void,
) {
  const start = performance.now();
  let proven: number | null = null;
  run(
    () => most - seconds(start),
    (nights, least) => {
      if (nights === least) proven ??= seconds(start);
    },
  );
  return { proven, all: seconds(start) };
}

/** Whether it was known, and when, that fewer nights will not do. */
const provenWords = (proven: number | null): string =>
  proven === null ? 'never proven that fewer will not do' : `fewest proven after ${proven.toFixed(1)} s`;

function demoRows(site: Site): Row[] {
  const settings = cutoverSettingsOf(site, '2026-05-11');
  let cutover!: ReturnType<typeof cutoverOf>;
  const took = timed(20, (secondsLeft, better) => {
    cutover = cutoverOf(highs, site, settings, {
      secondsLeft,
      better: ({ nights, least }) => better(nights.length, least),
    });
  });
  const { plan, tasks, crew } = cutover;
  if (plan.kind !== 'planned') throw new Error('the demo has no nights');
  const rules = nightRulesOf(site, settings);
  const plain = plainNights(site, crew, nightTasks(tasks), rules);
  const people = crew.length;
  const sampling = performance.now();
  chanceOf(plan.nights[0]!.jobs, rules);
  const sampled = performance.now() - sampling;
  return [
    {
      figure: `the nights of the demo, ${nightTasks(tasks).length} tasks, a crew of ${people}`,
      measured: `${plan.nights.length} nights, ${proofInWords(plan.proof)}; ${provenWords(took.proven)}`,
      wanted: 'proven under 5 s',
      holds: took.proven !== null && took.proven < 5,
    },
    againstPlain(
      plan.nights.map(({ jobs }) => jobs),
      plain,
      crew,
      rules,
    ),
    {
      figure: '10,000 sampled nights of the demo',
      measured: `${sampled.toFixed(0)} ms`,
      wanted: 'under 1 s',
      holds: sampled < 1000,
    },
  ];
}

/** What is left after the first two nights, one of which put a camera back, is planned anew. */
function replanRow(site: Site): Row {
  const settings = cutoverSettingsOf(site, '2026-05-11');
  const start = performance.now();
  const cutover = cutoverOf(highs, site, settings, { secondsLeft: () => 5 - seconds(start) });
  const { plan, dates } = cutover;
  if (plan.kind !== 'planned') throw new Error('the demo has no nights');
  const agreed = withChanges(site, agreePlan(site, nightsFound(plan.nights, cutover, 0), settings));
  const tries = plan.nights.slice(0, 2).flatMap(({ jobs, night }) =>
    jobs.map(({ job }, k): [string, TaskTry] => {
      const at = `${dates[night]}T23:00:00Z`;
      const how = night === 1 && k === jobs.length - 1 ? 'put-back' : 'done';
      const id = `${job.id}-1`;
      const by = 'R. Tolland';
      return [id, { id, taskId: job.id, night: dates[night]!, beganAt: at, by, ended: { how, at, by } }];
    }),
  );
  const begun: Site = { ...agreed, taskTry: Object.fromEntries(tries) };
  let nights = 0;
  const took = timed(10, (secondsLeft, better) => {
    cutoverOf(
      highs,
      begun,
      { ...settings, from: '2026-05-13' },
      {
        secondsLeft,
        better: (found) => {
          nights = found.nights.length;
          better(nights, found.least);
        },
      },
    );
  });
  return {
    figure: 'the rest planned anew after two nights',
    measured: `${nights} nights, ${provenWords(took.proven)}`,
    wanted: 'under 2 s',
    holds: took.proven !== null && took.proven < 2,
  };
}

/** Four sites like the demo at once. */
function manyRows(site: Site): Row[] {
  const settings = cutoverSettingsOf(site, '2026-05-11');
  const { tasks } = cutoverOf(highs, site, settings, { secondsLeft: () => 0 });
  const jobs = copies(nightTasks(tasks), 4);
  const rules = nightRulesOf(site, settings);
  const crew = Object.values(withCrew(site, 6).crewMember);
  let plan!: NightsPlan;
  const took = timed(60, (secondsLeft) => {
    plan = planNights(highs, { jobs, crew, rules, nights: 20 }, secondsLeft);
  });
  const gap = plan.kind === 'planned' && plan.proof.kind === 'gap' ? plan.proof.percent : 0;
  if (plan.kind !== 'planned') throw new Error('four times the demo has no nights');
  return [
    {
      figure: `four times the demo, ${jobs.length} tasks, a crew of ${crew.length}`,
      measured: `${plan.nights.length} nights in ${took.all.toFixed(0)} s, ${proofInWords(plan.proof)}`,
      wanted: 'within 2 % in 60 s',
      holds: gap <= 2,
    },
    againstPlain(
      plan.nights.map((night) => night.jobs),
      plainNights(site, crew, jobs, rules),
      crew,
      rules,
    ),
  ];
}

/** The nights of the whole demo: how long they take to find, and what they spare a crew that works without a plan. */
export function nights(): Row[] {
  const site = decidedDemo(highs);
  return [...demoRows(site), ...demoRows(withCrew(site, 4)).slice(0, 2), replanRow(site), ...manyRows(site)];
}
