import { devicePlan, type DeviceGoal, type PlanForDevice } from '#core/allocate/device';
import { recorderState } from '#core/allocate/recorder';
import { isDarkAt } from '#core/cutover/mornings';
import { lastTries, type Site } from '#core/model/site';
import { morningsAfter } from './cutoverOf';
import type { SiteEvaluation } from './evaluateSite';
import { tasksNow } from './nightsNow';

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
  const { tasks, migration } = tasksNow(site, evaluation, null);
  // What is under way is on its way into the recorder: it is what is pushed.
  const so = new Set(
    [...lastTries(site)].flatMap(([id, last]) => (last.ended?.how === 'put-back' ? [] : [id])),
  );
  const [morning] = morningsAfter(site, evaluation, migration, tasks, [[...so]]);
  const ipInputs = morning!.ipInputs[recorderId] ?? [];
  // Whoever still sends coax into an input that was turned under it is on no channel until it is changed.
  const seen = (morning!.occupied[recorderId] ?? []).filter((one) => !isDarkAt(one, ipInputs));
  const planned = devicePlan(site, state.recorder, seen, recorderState(state.recorder, seen).broken);
  return planned.kind === 'plan' ? { kind: 'plan', plan: { ...planned.plan, ipInputs } } : planned;
}
