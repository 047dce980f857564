import type { SiteSummary } from '#core/evaluate';
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
  { name: 'plan', label: 'Plan', key: '6' },
];

export interface StageProgress {
  left: string;
  share: number;
}

/** How much of the site is on the network when all is done, as far as it is decided. */
function networkWords({ needs }: SiteSummary['allocation'], toDecide: number): string {
  const onNetwork = Object.values(needs).filter(({ signal }) => signal.kind === 'ip').length;
  return toDecide > 0 ? `${onNetwork} on IP so far` : `${onNetwork} on IP`;
}

/** What is left in each stage, in words, and the share of it that is done. */
export function progressOf({ left, runs, allocation }: SiteSummary): Record<StageName, StageProgress> {
  const all = runs.length;
  const done = (count: number) => (all === 0 ? 0 : (all - count) / all);
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
      left: withoutRecorder ? 'no recorder noted' : words(left.toPlace, 'to place', 'all placed'),
      share: done(left.toPlace),
    },
    connect: {
      left: all === 0 ? 'nothing noted yet' : networkWords(allocation, left.toDecide),
      share: done(left.toPlace),
    },
    plan: {
      left:
        left.broken > 0
          ? `${left.broken} to put right`
          : all === 0 || left.toPlace + left.toDecide > 0
            ? 'in progress'
            : left.toTest > 0
              ? `decided, ${left.toTest} untested`
              : 'ready',
      // A plan that nobody has tested the runs of is none that is done, however complete it looks.
      share: left.broken + left.toPlace + left.toDecide === 0 ? done(left.toTest) : 0,
    },
  };
}
