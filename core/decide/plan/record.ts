import { optionRow, type Choice, type Reading, type Site } from '#core/model/site';
import type { RunEvaluation } from '#core/decide/runEvaluation';

/** One decision as it was taken, and how it stands now. */
export interface Decision {
  cameraId: string;
  number: number;
  name: string;
  choice: Choice;
  label: string;
  /** The plan it came with; nothing where a person picked it. */
  plan: { id: string; name: string } | null;
  /** How many readings it rested on, and those that have come since. */
  restedOn: number;
  since: Reading[];
  /** Why it does not hold any more, and the latest reading since, which is what broke it. */
  broken: string | null;
  brokenBy: Reading | null;
}

/** Who chose what, when, against which plan and readings, the latest first. */
export function decisionRecord(
  site: Site,
  { runs }: { runs: readonly Pick<RunEvaluation, 'camera' | 'run' | 'choiceBroken'>[] },
): Decision[] {
  const byRun = new Map<string, Reading[]>();
  for (const reading of Object.values(site.reading))
    if (!reading.struck) byRun.set(reading.runId, [...(byRun.get(reading.runId) ?? []), reading]);
  return runs
    .flatMap(({ camera, run, choiceBroken }): Decision[] => {
      const choice = site.choice[camera.id];
      if (!choice) return [];
      const known = choice.readingIds ? new Set(choice.readingIds) : null;
      const readings = byRun.get(run.id) ?? [];
      const since = readings
        .filter(({ id, at }) => (known ? !known.has(id) : Date.parse(at) > Date.parse(choice.at)))
        .sort((a, b) => Date.parse(b.at) - Date.parse(a.at));
      const plan = choice.planId === undefined ? undefined : site.savedPlan[choice.planId];
      return [
        {
          cameraId: camera.id,
          number: camera.number,
          name: camera.name,
          choice,
          label: optionRow(choice.option).label,
          plan: plan ? { id: plan.id, name: plan.name } : null,
          restedOn: known ? known.size : readings.length - since.length,
          since,
          broken: choiceBroken,
          brokenBy: choiceBroken ? (since[0] ?? null) : null,
        },
      ];
    })
    .sort((a, b) => Date.parse(b.choice.at) - Date.parse(a.choice.at) || a.number - b.number);
}
