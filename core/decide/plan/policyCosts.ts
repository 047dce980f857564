import type { Highs } from 'highs';
import type { PolicyId, Site } from '#core/model/site';
import { planningInput, planSite, type Plan } from './plan';
import { policies, withSchool } from './policies';

/** What following one school rather than another comes to. */
export interface PolicyCost {
  policy: PolicyId;
  school: string;
  chosen: boolean;
  /** Cost and dark hours beside the plan in hand; `null` where nothing can be planned so. */
  moreCost: number | null;
  moreDarkHours: number | null;
  moreIp: number | null;
  changed: number;
}

/** The site planned anew under every other school, one at a time. They come one by one. */
export function* policyCosts(highs: Highs, site: Site, plan: Plan): Generator<PolicyCost> {
  for (const { id, schools } of policies) {
    for (const { id: school } of schools) {
      if (plan.demands.policies[id] === school) {
        yield { policy: id, school, chosen: true, moreCost: 0, moreDarkHours: 0, moreIp: 0, changed: 0 };
        continue;
      }
      const planning = planSite(highs, planningInput(site, withSchool(plan.demands, id, school)));
      const other = planning.kind === 'plan' ? planning.plan : null;
      yield {
        policy: id,
        school,
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
