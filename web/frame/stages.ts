import { tasksDone } from '#core/cutover/tasks';
import type { SiteSummary } from '#core/evaluate';
import { keepsView, type Site } from '#core/model/site';
import { counted } from '#core/shared/labels';
import type { StageName } from './stageName';

export interface StageLabel {
  name: StageName;
  label: string;
  key: string;
}

export const stages: StageLabel[] = [
  { name: 'survey', label: 'Survey', key: '1' },
  { name: 'test', label: 'Test', key: '2' },
  { name: 'decide', label: 'Decide', key: '3' },
  { name: 'allocate', label: 'Allocate', key: '4' },
  { name: 'connect', label: 'Connect', key: '5' },
  { name: 'cutover', label: 'Cut over', key: '6' },
  { name: 'signoff', label: 'Sign off', key: '7' },
];

/** Papers are no stage: they are one key away from every one. */
export const papers: StageLabel = { name: 'papers', label: 'Papers', key: '8' };

export interface StageProgress {
  left: string;
  share: number;
}

/** How much of the site is on the network when all is done, as far as it is decided. */
function networkWords({ needs }: SiteSummary['allocation'], toDecide: number): string {
  const onNetwork = Object.values(needs).filter(({ signal }) => signal.kind === 'ip').length;
  return toDecide > 0 ? `${onNetwork} on IP so far` : `${onNetwork} on IP`;
}

/** How far the nights of the change are: the tasks of those that were agreed, and those that are done. */
function nightsProgress(site: Pick<Site, 'plannedNight' | 'taskTry'>): StageProgress {
  const nights = Object.values(site.plannedNight);
  const ended = tasksDone(site);
  const tasks = nights.flatMap(({ jobs }) => jobs.map(({ taskId }) => taskId));
  const done = tasks.filter((id) => ended.has(id)).length;
  if (tasks.length === 0) return { left: 'to plan', share: 0 };
  const share = done / tasks.length;
  if (done === 0) return { left: counted(nights.length, 'night'), share };
  return { left: done === tasks.length ? 'all done' : `${tasks.length - done} to do`, share };
}

/** How many of the cameras that stay somebody has accepted. */
function signOffProgress(
  runs: SiteSummary['runs'],
  { acceptance, networkCamera }: Pick<Site, 'acceptance' | 'networkCamera'>,
): StageProgress {
  const accepted = new Set(
    Object.values(acceptance)
      .filter(({ withdrawn, role }) => !withdrawn && role === 'customer')
      .flatMap(({ things }) => things.filter(({ kind }) => kind === 'camera').map(({ id }) => id)),
  );
  // A view that nobody agreed to lose stays, whatever was chosen for it.
  const decided = runs.filter(
    ({ chosen, choiceBroken }) => chosen !== null && (keepsView(chosen) || choiceBroken !== null),
  );
  const staying = [...decided.map(({ camera }) => camera.id), ...Object.keys(networkCamera)];
  const count = staying.filter((id) => accepted.has(id)).length;
  if (staying.length === 0 || (decided.length === 0 && runs.length > 0))
    return { left: 'nothing decided', share: 0 };
  const left = staying.length - count;
  return { left: left === 0 ? 'all signed' : `${left} to sign`, share: count / staying.length };
}

/** What is left in each stage, in words, and the share of it that is done. */
export function progressOf(
  { left, runs, allocation }: SiteSummary,
  site: Pick<Site, 'plannedNight' | 'taskTry' | 'acceptance' | 'networkCamera'>,
): Record<StageName, StageProgress> {
  const all = runs.length;
  const done = (count: number, of = all) => (of === 0 ? 0 : (of - count) / of);
  // Cameras of the network take slots as well, and hang on no run.
  const placed = done(left.toPlace, all + Object.keys(site.networkCamera).length);
  const words = (count: number, some: string, none: string) =>
    all === 0 ? 'nothing noted yet' : count === 0 ? none : `${count} ${some}`;
  const withoutRecorder = allocation.recorders.length === 0;
  return {
    survey: {
      left: words(left.toNote, 'to note', `all ${all} noted`),
      share: Math.max(0, done(left.toNote)),
    },
    test: { left: words(left.toTest, 'to test', 'all tested'), share: done(left.toTest) },
    decide: { left: words(left.toDecide, 'open', 'all decided'), share: done(left.toDecide) },
    allocate: {
      left: withoutRecorder
        ? 'no recorder noted'
        : left.broken > 0
          ? `${left.broken} to put right`
          : words(left.toPlace, 'to place', 'all placed'),
      share: placed,
    },
    connect: {
      left: all === 0 ? 'nothing noted yet' : networkWords(allocation, left.toDecide),
      share: placed,
    },
    cutover: nightsProgress(site),
    signoff: signOffProgress(runs, site),
    papers: { left: '', share: 0 },
  };
}
