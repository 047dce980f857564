import { nightCard, type CardLine } from '#core/cutover/card';
import { gateDefinitions } from '#core/cutover/gates';
import { pickList } from '#core/cutover/lists';
import type { PlannedJob } from '#core/cutover/nights';
import { changedIn } from './changedIn';
import { clockAt, taskTitle } from '#core/cutover/words';
import type { NightNow } from '#core/evaluate';
import { gates } from '#core/model/site';
import { counted } from '#core/shared/labels';
import { quantityFor } from '#core/shared/units';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { photoBlocks } from './photoBlocks';

const lineWords = (line: CardLine, { measures }: PaperContext): string =>
  line.kind === 'words'
    ? `${line.label}: ${line.words}`
    : `${line.label}: ${quantityFor(line.value, line.unit, measures)}${line.isUnread ? ', not measured' : ''}`;

const teamOf = (context: PaperContext, { team }: PlannedJob): string =>
  team.map((place) => context.nights().crew[place]?.name ?? '').join(' and ');

/** What is done when and by whom, in one table. */
function scheduleTable(context: PaperContext, night: NightNow, title: (id: string) => string): Block {
  const { start } = context.nights().settings.shift;
  return {
    kind: 'table',
    name: `Night of ${night.date}`,
    columns: [
      { label: 'Begins' },
      { label: 'Not after' },
      { label: 'What', share: 4 },
      { label: 'Who', share: 2 },
      { label: 'About', unit: 'min' },
      { label: 'Begun' },
      { label: 'Done' },
    ],
    rows: night.jobs.map((job) => [
      clockAt(start, job.start),
      clockAt(start, job.latestStart),
      title(job.job.id),
      teamOf(context, job),
      Math.round(job.job.minutes.likely),
      '',
      '',
    ]),
  };
}

/** A task as somebody holds it in the hand: what changes, what to look for, what to mind, and how to get back. */
function cardBlocks(context: PaperContext, { job }: PlannedJob): Block[] {
  const { site, evaluation } = context;
  const task = context.nights().tasks.find(({ id }) => id === job.id);
  if (!task) return [];
  const card = nightCard(site, evaluation.runs, context.migration(), task);
  return [
    { kind: 'heading', level: 2, text: taskTitle(task) },
    ...(card.steps.length > 0 ? [{ kind: 'list' as const, items: card.steps }] : []),
    ...(card.lines.length > 0
      ? [
          {
            kind: 'text' as const,
            tone: 'quiet' as const,
            text: card.lines.map((line) => lineWords(line, context)).join('; '),
          },
        ]
      : []),
    { kind: 'checks', items: card.proofs.map(({ says }) => says) },
    ...(card.otherwise.length > 0
      ? [{ kind: 'text' as const, text: `Where it does not come right: ${card.otherwise.join(' ')}` }]
      : []),
    ...(card.leaves ? [{ kind: 'text' as const, text: `Left as: ${card.leaves}` }] : []),
    ...(card.cautions.length > 0 ? [{ kind: 'caution' as const, items: card.cautions }] : []),
    ...(task.cameraId === null
      ? []
      : photoBlocks(
          {
            photo: Object.fromEntries(
              Object.entries(site.photo).filter(([, { shows }]) => shows?.startsWith('before')),
            ),
          },
          { kind: 'camera', id: task.cameraId },
        )),
  ];
}

function nightBlocks(context: PaperContext, night: NightNow, index: number): Block[] {
  const { site, evaluation } = context;
  const { tasks, settings } = context.nights();
  const of = new Map(tasks.map((task) => [task.id, task]));
  const title = (id: string): string => {
    const task = of.get(id);
    return task ? taskTitle(task) : id;
  };
  const picks = pickList(site, evaluation.runs, new Set(changedIn(night, tasks)));
  const dark = night.dark.map(
    ({ view, start, end }) =>
      `${site.camera[view]?.number ?? ''} ${site.camera[view]?.name ?? view}: ${clockAt(settings.shift.start, start)} to ${clockAt(settings.shift.start, end)}`,
  );
  return [
    { kind: 'heading', level: 1, text: `Night ${index + 1}, ${night.date}`, newPage: true },
    {
      kind: 'text',
      text: `${settings.shift.start} to ${settings.shift.end}. It ends within the shift with ${Math.floor(100 * night.chance)} %.`,
    },
    scheduleTable(context, night, title),
    ...(dark.length > 0
      ? [
          { kind: 'heading' as const, level: 2 as const, text: 'Dark' },
          { kind: 'list' as const, items: dark },
        ]
      : []),
    ...gates.flatMap((gate): Block[] => [
      { kind: 'heading', level: 2, text: gateDefinitions[gate].label },
      { kind: 'checks', items: gateDefinitions[gate].checks.map(({ says }) => says) },
      { kind: 'text', tone: 'quiet', text: 'go ____   no go ____   said by ______________   at ________' },
    ]),
    {
      kind: 'heading',
      level: 2,
      text: 'Taken along',
    },
    {
      kind: 'table',
      name: `Picks of ${night.date}`,
      columns: [
        { label: 'What', share: 4 },
        { label: 'Count', unit: '' },
        { label: 'Spare of it', unit: '' },
      ],
      rows: picks.map(({ label, count, spare }) => [label, count, spare || null]),
    },
    ...night.jobs.flatMap((job) => cardBlocks(context, job)),
    {
      kind: 'caution',
      items: [
        'Work at height, on the mains and on fixed wiring by licensed people, by local code, never alone. This paper does not stand in for either.',
      ],
    },
  ];
}

/** What has to be done before the nights, and by when. */
function beforeBlocks(context: PaperContext): Block[] {
  const { tasks, startBy } = context.nights();
  const before = tasks.filter(({ id, excluded }) => startBy[id] !== undefined && excluded === null);
  if (before.length === 0) return [];
  return [
    { kind: 'heading', level: 2, text: 'Before the nights' },
    {
      kind: 'table',
      name: 'Before the nights',
      columns: [{ label: 'What', share: 4 }, { label: 'Begun by' }, { label: 'Takes', unit: 'd' }],
      rows: before
        .map((task) => [taskTitle(task), startBy[task.id]!, task.days] as const)
        .sort((a, b) => a[1].localeCompare(b[1], 'en'))
        .map((row) => [...row]),
    },
  ];
}

/** The orders of work: what comes before, then each night that is not over with its times, gates, picks and cards. */
export function workPaper(context: PaperContext): Paper {
  const { nights, inNone } = context.nights();
  const isWanted = ({ date, state }: NightNow): boolean =>
    context.night === undefined ? state !== 'over' : date === context.night;
  const objections = nights.reduce((sum, night) => sum + night.objections.length, 0);
  return paperOf(context, {
    id: 'work',
    title: 'Work orders',
    open: [
      ...(nights.length === 0 ? ['No night is agreed yet.'] : []),
      ...(inNone.length > 0
        ? [`${counted(inNone.length, 'task')} ${inNone.length === 1 ? 'is' : 'are'} in no night.`]
        : []),
      ...(objections > 0 ? [`What was agreed has ${counted(objections, 'objection')} against it.`] : []),
    ],
    blocks: [
      ...(context.night === undefined ? beforeBlocks(context) : []),
      ...nights.flatMap((night, index) => (isWanted(night) ? nightBlocks(context, night, index) : [])),
    ],
  });
}
