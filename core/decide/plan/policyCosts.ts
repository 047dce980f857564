import type { PolicyId, Site } from '#core/model/site';
import { planningInput, planSite } from './plan';
import type { Plan, PlanSolver } from './types';
import { policies, withPolicy } from './policies';

/** What following one way of a policy rather than another comes to. */
export interface PolicyCost {
  policy: PolicyId;
  option: string;
  chosen: boolean;
  /** Cost and dark hours beside the plan in hand; `null` where nothing can be planned so. */
  moreCost: number | null;
  moreDarkHours: number | null;
  moreIp: number | null;
  changed: number;
}

/** The site planned anew under every other way of each policy, one at a time. They come one by one. */
export function* policyCosts(solver: PlanSolver, site: Site, plan: Plan): Generator<PolicyCost> {
  for (const { id, options } of policies) {
    for (const { id: option } of options) {
      if (plan.demands.policies[id] === option) {
        yield { policy: id, option, chosen: true, moreCost: 0, moreDarkHours: 0, moreIp: 0, changed: 0 };
        continue;
      }
      const planning = planSite(solver, planningInput(site, withPolicy(plan.demands, id, option)));
      const other = planning.kind === 'plan' ? planning.plan : null;
      yield {
        policy: id,
        option,
        chosen: false,
        moreCost: other && other.totals.cost - plan.totals.cost,
        moreDarkHours: other && other.totals.darkHours - plan.totals.darkHours,
        moreIp: other && other.totals.ipCameras - plan.totals.ipCameras,
        changed: other
          ? Object.keys(plan.options).filter((cameraId) => plan.options[cameraId] !== other.options[cameraId])
              .length
          : 0,
      };
    }
  }
}
