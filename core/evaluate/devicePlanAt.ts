import { devicePlan, type DeviceGoal, type PlanForDevice } from '#core/allocate/device';
import { stepTaskOf } from '#core/cutover/tasks';
import { lastTries, type Site } from '#core/model/site';
import { morningsAfter } from './cutoverOf';
import type { SiteEvaluation } from './evaluateSite';
import { tasksNow } from './nightsNow';

/** Inputs that are IP by then: those of today, and those that the tasks have turned. */
function turnedBy(
  site: Site,
  recorderId: string,
  migration: ReturnType<typeof tasksNow>['migration'],
  so: ReadonlySet<string>,
): number[] {
  const inputs = new Set(site.recorder[recorderId]?.ipInputs ?? []);
  migration.nights.forEach(({ steps }, night) => {
    for (const step of steps) {
      if (step.kind !== 'turn' || step.recorderId !== recorderId || !so.has(stepTaskOf(step, night)))
        continue;
      for (const input of step.cost.toIp) inputs.add(input);
      for (const input of step.cost.toCoax) inputs.delete(input);
    }
  });
  return [...inputs].sort((a, b) => a - b);
}

/** The plan of a recorder as it is told it, at the end or just now. */
export function devicePlanAt(
  site: Site,
  evaluation: SiteEvaluation,
  recorderId: string,
  goal: DeviceGoal,
): PlanForDevice {
  const { allocation } = evaluation;
  const state = allocation.recorders.find(({ recorder }) => recorder.id === recorderId);
  if (!state) return { kind: 'not-yet', why: 'That recorder is not on this site.' };
  if (goal === 'end')
    return devicePlan(site, state.recorder, allocation.occupied[recorderId] ?? [], state.broken);
  const { tasks, migration } = tasksNow(site, evaluation, []);
  // What is under way is on its way into the recorder: it is what is pushed.
  const so = new Set(
    [...lastTries(site)].flatMap(([id, last]) => (last.ended?.how === 'put-back' ? [] : [id])),
  );
  const [morning] = morningsAfter(site, evaluation, migration, tasks, [[...so]]);
  const planned = devicePlan(site, state.recorder, morning!.occupied[recorderId] ?? [], []);
  return planned.kind === 'plan'
    ? { kind: 'plan', plan: { ...planned.plan, ipInputs: turnedBy(site, recorderId, migration, so) } }
    : planned;
}
