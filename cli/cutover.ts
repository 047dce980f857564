import type { Highs } from 'highs';
import { aboutOf, cutoverSettingsOf, type Site } from '#core/model/site';
import { lpText } from '#core/solver';
import { cutoverOf, nightRulesOf, type Cutover } from '#core/evaluate';
import { nightTasks, taskKind, tasksDone } from '#core/cutover/tasks';
import { proofInWords, clockAt, taskTitle } from '#core/cutover/words';
import { nightsProgramme, type PlannedNight } from '#core/cutover/nights';
import { counted } from '#core/shared/labels';
import type { PlanRun } from './plan';
import { siteIn } from './siteFiles';

export const cutoverUsage =
  'npm run cutover -- SITE.neotrope.json [--from DATE] [--seconds N] [--json] [--lp FILE]';

interface Asked {
  file: string;
  from: string;
  seconds: number;
  asJson: boolean;
  /** Where the programme of the nights is written to for other solvers; empty where it is not asked for. */
  lp: string;
}

function read(args: readonly string[], today: string): Asked | string {
  const asked: Asked = { file: '', from: today, seconds: 60, asJson: false, lp: '' };
  for (let at = 0; at < args.length; at += 1) {
    const arg = args[at]!;
    if (arg === '--json') asked.asJson = true;
    else if (arg === '--lp') {
      asked.lp = args[(at += 1)] ?? '';
      if (!asked.lp) return `--lp needs a file; ${cutoverUsage}`;
    } else if (arg === '--from' || arg === '--seconds') {
      const value = args[(at += 1)] ?? '';
      if (arg === '--from') {
        if (!/^\d{4}-\d{2}-\d{2}$/.test(value) || Number.isNaN(Date.parse(value)))
          return `--from is ${JSON.stringify(value)}, allowed: a date such as 2026-05-11`;
        asked.from = value;
      } else if (Number(value) > 0) asked.seconds = Number(value);
      else return `--seconds is ${JSON.stringify(value)}, allowed: more than 0`;
    } else if (arg.startsWith('-')) return `${arg} is not understood; ${cutoverUsage}`;
    else if (asked.file) return `one site file at a time; ${cutoverUsage}`;
    else asked.file = arg;
  }
  return asked.file ? asked : `no site file named; ${cutoverUsage}`;
}

function nightLines(cutover: Cutover, night: PlannedNight): string[] {
  const { settings, crew, tasks, dates } = cutover;
  const by = new Map(tasks.map((task) => [task.id, task]));
  const clock = (minutes: number) => clockAt(settings.shift.start, minutes);
  return [
    `Night ${night.night + 1}, ${dates[night.night]}: over by ${clock(night.end)}, in the shift with ${Math.floor(100 * night.chance)} %`,
    ...night.jobs.map(({ job, start, end, team, latestStart }) => {
      const people = team.map((person) => crew[person]!.name).join(' and ');
      return `  ${clock(start)}–${clock(end)}  ${taskTitle(by.get(job.id)!)} (${people}; not after ${clock(latestStart)})`;
    }),
  ];
}

function lines(cutover: Cutover): string[] {
  const { plan, tasks, mornings } = cutover;
  const titles = new Map(tasks.map((task) => [task.id, taskTitle(task)]));
  switch (plan.kind) {
    case 'nothing':
      return ['Nothing is decided that is done in a night.'];
    case 'impossible':
      return plan.jobs.map(({ id, why }) => `${titles.get(id) ?? id} ${why}.`);
    case 'conflict':
      return [plan.message];
    case 'planned': {
      const before = tasks.filter(
        ({ kind, excluded }) => taskKind(kind).when === 'before' && excluded === null,
      );
      return [
        `${counted(plan.nights.length, 'night')}, ${proofInWords(plan.proof)}.`,
        ...plan.nights.flatMap((night) => nightLines(cutover, night)),
        ...(before.length > 0 ? [`Before the first of them: ${before.map(taskTitle).join('; ')}.`] : []),
        ...mornings.flatMap(({ broken }, index) =>
          broken.map(({ why }) => `In the morning after night ${plan.nights[index]!.night + 1}: ${why}`),
        ),
      ];
    }
  }
}

/** The programme of as many nights as were planned, as text that other solvers read. */
function programmeText(site: Site, { settings, tasks, crew, plan }: Cutover): string {
  const nights = plan.kind === 'planned' ? 1 + Math.max(...plan.nights.map(({ night }) => night)) : 0;
  const jobs = nightTasks(tasks, tasksDone(site));
  const asked = { jobs, crew, rules: nightRulesOf(site, settings), nights };
  return lpText(nightsProgramme(asked, nights), `${aboutOf(site).name}, ${counted(nights, 'night')}`);
}

/**
 * Plans the nights of a site file from the command line, with the core that the screens use.
 * @returns status 0 with the nights, 2 for bad input, 3 where there are none
 */
export function cutover(
  args: readonly string[],
  readFile: (file: string) => string,
  highs: Highs,
  { today, secondsSince }: { today: string; secondsSince: () => number },
): PlanRun {
  const asked = read(args, today);
  if (typeof asked === 'string') return { status: 2, out: '', errors: [asked] };
  const site = siteIn(asked.file, readFile);
  if (Array.isArray(site)) return { status: 2, out: '', errors: site };
  const done = cutoverOf(highs, site, cutoverSettingsOf(site, asked.from), {
    secondsLeft: () => asked.seconds - secondsSince(),
  });
  return {
    status: done.plan.kind === 'planned' ? 0 : 3,
    out: asked.asJson ? JSON.stringify(done, null, 1) : [`${aboutOf(site).name}:`, ...lines(done)].join('\n'),
    errors: [],
    ...(asked.lp && done.plan.kind === 'planned'
      ? { lp: { file: asked.lp, text: programmeText(site, done) } }
      : {}),
  };
}
