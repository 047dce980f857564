import loadHighs from 'highs';
import type { DeviceGoal, PlanForDevice } from '#core/allocate/device';
import { planningInput, planSite, type Planning } from '#core/decide/plan';
import { devicePlanAt, evaluateSite, planSolver } from '#core/evaluate';
import { aboutOf, demandsOf, type Site } from '#core/model/site';
import { lpText } from '#core/solver';
import { planCsv } from './planCsv';

/** What can be worked out of a site beside the server, with what each is asked. */
export interface Jobs {
  /** The best plan that is found in the time. */
  plan: { asked: { secondsMost: number }; answer: Planning };
  /** The choices so far, a line a camera, for a spreadsheet. */
  planCsv: { asked: object; answer: string };
  /** The plan's programme, for other solvers. */
  planLp: { asked: object; answer: string };
  /** What a recorder is to hold, or why it cannot be said yet. */
  devicePlan: {
    asked: { recorderId: string; goal: DeviceGoal };
    answer: PlanForDevice;
  };
}
export type JobKind = keyof Jobs;

type Work = { [K in JobKind]: (site: Site, asked: Jobs[K]['asked']) => Promise<Jobs[K]['answer']> };

const work: Work = {
  plan: async (site, { secondsMost }) =>
    planSite(planSolver(await loadHighs()), planningInput(site, demandsOf(site)), { secondsMost }),
  planCsv: (site) => Promise.resolve(planCsv(site)),
  planLp: (site) =>
    Promise.resolve(lpText(planningInput(site, demandsOf(site)).model.programme, aboutOf(site).name)),
  devicePlan: (site, { recorderId, goal }) =>
    Promise.resolve(devicePlanAt(site, evaluateSite(site), recorderId, goal)),
};

/** Does a job on a site. */
export const doJob = <K extends JobKind>(
  kind: K,
  site: Site,
  asked: Jobs[K]['asked'],
): Promise<Jobs[K]['answer']> => work[kind](site, asked);
