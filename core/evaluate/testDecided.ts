import type { Highs } from 'highs';
import { planningInput, planSite } from '#core/decide/plan';
import { demandsOf, withChanges, type Site } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite } from './evaluateSite';
import { planSolver } from './planSolver';
import { slotSite } from './slotAllocation';

/** The demo with its best plan adopted and every camera on a slot, for tests of what comes after. */
export function decidedSaltmarrow(highs: Highs): Site {
  const demo = saltmarrowSite();
  const planning = planSite(planSolver(highs), planningInput(demo, demandsOf(demo)));
  if (planning.kind !== 'plan') throw new Error('the demo has no plan');
  const given = { at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
  const choice = Object.fromEntries(
    Object.entries(planning.plan.options).map(([id, option]) => [id, { id, option, ...given }]),
  );
  const chosen: Site = { ...demo, choice };
  return withChanges(chosen, slotSite(highs, chosen, evaluateSite(chosen).allocation, 'all').changes);
}
