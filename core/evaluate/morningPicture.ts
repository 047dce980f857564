import { recorderState, type RecorderState } from '#core/allocate/recorder';
import type { Site } from '#core/model/site';
import { morningsAfter } from './cutoverOf';
import type { SiteEvaluation } from './evaluateSite';
import { loadsAt, moves, type MorningLoad } from './morningLoads';
import { tasksNow } from './nightsNow';

/** A morning in full: every recorder with who is on it, what network and power carry, and what is against it. */
export interface MorningPicture {
  recorders: (Pick<RecorderState, 'recorder' | 'slots'> & { ipInputs: number[] })[];
  loads: MorningLoad[];
  wrong: string[];
}

/** What is so once some tasks are done: on the recorders, in the network, and of what feeds both. */
export function morningPicture(
  site: Site,
  evaluation: SiteEvaluation,
  done: readonly string[],
): MorningPicture {
  const { tasks, migration } = tasksNow(site, evaluation, null);
  const known = new Set(done);
  const [morning] = morningsAfter(site, evaluation, migration, tasks, [done]);
  const moved = new Set(
    moves(migration).flatMap(({ taskId, cameraId }) => (known.has(taskId) ? [cameraId] : [])),
  );
  const loads = loadsAt(site, evaluation, { kind: 'morning', moved });
  return {
    recorders: Object.values(site.recorder).map((recorder) => {
      const { slots } = recorderState(recorder, morning!.occupied[recorder.id] ?? []);
      return { recorder, slots, ipInputs: morning!.ipInputs[recorder.id] ?? [] };
    }),
    loads,
    wrong: [
      ...morning!.broken.map(({ why }) => why),
      ...loads
        .filter(({ load }) => load.status === 'fails')
        .map(
          ({ name, load: { label, used, most, unit } }) =>
            `${name}: ${used.toFixed(1)} ${unit} ${label} asked, and it has ${most.toFixed(1)} ${unit}.`,
        ),
    ],
  };
}
