import loadHighs from 'highs';
import type { DeviceGoal, PlanForDevice } from '#core/allocate/device';
import { planningInput, planSite, type Planning } from '#core/decide/plan';
import { devicePlanAt, evaluateSite, planSolver } from '#core/evaluate';
import { aboutOf, demandsOf, type Site } from '#core/model/site';
import { lpText } from '#core/solver';
import {
  customerAccepts,
  customerAcceptsOffer,
  customerView,
  type CustomerSigned,
  type CustomerSigning,
  type CustomerView,
} from '#core/documents';
import type { Measures } from '#core/shared/units';
import { planCsv } from './planCsv';

/** When something is done, by whom, and what tells it from what others make. */
interface Doing {
  at: string;
  by: string;
  mark: string;
}

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
  /** What whoever a site is made for sees of it. */
  customerView: { asked: { now: string; measures: Measures }; answer: CustomerView };
  /** The change by which he accepts things, or says yes to an offer. */
  customerAccepts: { asked: CustomerSigning & Doing; answer: CustomerSigned };
  customerAcceptsOffer: { asked: { offerId: string; name: string } & Doing; answer: CustomerSigned };
}
export type JobKind = keyof Jobs;

type Work = { [K in JobKind]: (site: Site, asked: Jobs[K]['asked']) => Promise<Jobs[K]['answer']> };

const metric: Measures = { length: 'm', gauge: 'mm2' };
const momentOf = (now: string, measures: Measures) => ({
  on: now.slice(0, 10),
  measures,
  clock: {
    now: Date.parse(now),
    beginOf: (date: string, time: string) => Date.parse(`${date}T${time}:00Z`),
  },
  pageOf: () => '',
});

const work: Work = {
  plan: async (site, { secondsMost }) =>
    planSite(planSolver(await loadHighs()), planningInput(site, demandsOf(site)), { secondsMost }),
  planCsv: (site) => Promise.resolve(planCsv(site)),
  planLp: (site) =>
    Promise.resolve(lpText(planningInput(site, demandsOf(site)).model.programme, aboutOf(site).name)),
  devicePlan: (site, { recorderId, goal }) =>
    Promise.resolve(devicePlanAt(site, evaluateSite(site), recorderId, goal)),
  customerView: (site, { now, measures }) =>
    Promise.resolve(customerView(site, evaluateSite(site), momentOf(now, measures))),
  customerAccepts: (site, { at, by, mark, ...signing }) =>
    Promise.resolve(
      customerAccepts(site, evaluateSite(site), momentOf(at, metric), signing, { at, by, mark }),
    ),
  customerAcceptsOffer: (site, { at, by, offerId, name }) =>
    Promise.resolve(
      customerAcceptsOffer(site, evaluateSite(site), momentOf(at, metric), { offerId, name }, { at, by }),
    ),
};

/** Does a job on a site. */
export const doJob = <K extends JobKind>(
  kind: K,
  site: Site,
  asked: Jobs[K]['asked'],
): Promise<Jobs[K]['answer']> => work[kind](site, asked);
