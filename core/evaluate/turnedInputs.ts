import type { Migration } from '#core/allocate/recorder';
import { stepTaskOf } from '#core/cutover/tasks';
import type { Site } from '#core/model/site';

/** Inputs of a recorder that are IP once some tasks are done: those of today, and those that the tasks turn, whether or not anybody is on them yet. */
export function turnedInputs(
  { recorder }: Pick<Site, 'recorder'>,
  recorderId: string,
  { nights }: Pick<Migration, 'nights'>,
  done: ReadonlySet<string>,
): number[] {
  const inputs = new Set(recorder[recorderId]?.ipInputs ?? []);
  nights.forEach(({ steps }, night) => {
    for (const step of steps) {
      if (step.kind !== 'turn' || step.recorderId !== recorderId) continue;
      if (!done.has(stepTaskOf(step, night))) continue;
      for (const input of step.cost.toIp) inputs.add(input);
      for (const input of step.cost.toCoax) inputs.delete(input);
    }
  });
  return [...inputs].sort((a, b) => a - b);
}
