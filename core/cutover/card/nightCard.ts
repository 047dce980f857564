import { nightStepInWords, type Migration } from '#core/allocate/recorder';
import { stepTaskOf, taskKind, type Task } from '#core/cutover/tasks';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Recorder, Site } from '#core/model/site';
import type { Unit } from '#core/shared/units';

/** A line of a night card: what is looked for, and what it should be. */
export type CardLine =
  | { kind: 'words'; label: string; words: string }
  | { kind: 'expect'; label: string; value: number; unit: Unit; isUnread: boolean };

/** What somebody holds in the hand while a task is done. */
export interface NightCard {
  taskId: string;
  runId: string | null;
  /** How recorder and leads change with it, in sentences. */
  steps: string[];
  lines: CardLine[];
  leaves: string;
  cautions: readonly string[];
  /** What is looked at before it is called done. */
  proofs: { id: string; says: string }[];
  /** What is done where it does not come right. */
  otherwise: readonly string[];
}

/** Where a camera is found when it is done: its address, its slot, and what its option should show. */
function cameraLines(site: Site, cameraId: string, evaluation: RunEvaluation | undefined): CardLine[] {
  const address = site.networkConfig[cameraId]?.address;
  const placement = site.placement[cameraId];
  const recorder = placement && site.recorder[placement.recorderId];
  const option = evaluation && chosenOption(evaluation);
  return [
    { kind: 'words', label: 'address', words: address ?? 'not given yet' },
    {
      kind: 'words',
      label: 'recorder',
      words: recorder ? `${recorder.name} ${placement.slot}` : 'no slot yet',
    },
    ...(option?.margins ?? []).map(({ label, value, unit, unread }): CardLine => ({
      kind: 'expect',
      label,
      value,
      unit,
      isUnread: unread,
    })),
  ];
}

/** The card of a task: what is done to the recorder, what is looked for, and how it is left. */
export function nightCard(
  site: Site,
  runs: readonly RunEvaluation[],
  { nights }: Pick<Migration, 'nights'>,
  task: Task,
): NightCard {
  const evaluation = runs.find(({ camera }) => camera.id === task.cameraId);
  const recorderOf = (id: string): Pick<Recorder, 'name'> => site.recorder[id] ?? { name: id };
  const { proofs, leaves, otherwise = [] } = taskKind(task.kind);
  return {
    taskId: task.id,
    runId: evaluation?.run.id ?? null,
    steps: nights.flatMap(({ steps }, night) =>
      steps
        .filter((step) => stepTaskOf(step, night) === task.id)
        .flatMap((step) => nightStepInWords(step, recorderOf)),
    ),
    lines: task.cameraId === null ? [] : cameraLines(site, task.cameraId, evaluation),
    leaves,
    otherwise,
    cautions: [...new Set(task.cautions)],
    proofs: Object.entries(proofs).map(([id, says]) => ({ id, says })),
  };
}
