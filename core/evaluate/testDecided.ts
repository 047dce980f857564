import type { Highs } from 'highs';
import { planningInput, planSite } from '#core/decide/plan';
import { demandsOf, withChanges, type AcceptanceFound, type Site } from '#core/model/site';
import type { CheckState } from '#core/signoff/acceptance';
import { saltmarrowUnshared } from '../model/site/testSite';
import { evaluateSite } from './evaluateSite';
import { planSolver } from './planSolver';
import { slotSite } from './slotAllocation';

/** The demo with its best plan adopted and every camera on a slot, for tests of what comes after. */
export function decidedSaltmarrow(highs: Highs): Site {
  const demo = saltmarrowUnshared();
  const planning = planSite(planSolver(highs), planningInput(demo, demandsOf(demo)));
  if (planning.kind !== 'plan') throw new Error('the demo has no plan');
  const given = { at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
  const choice = Object.fromEntries(
    Object.entries(planning.plan.options).map(([id, option]) => [id, { id, option, ...given }]),
  );
  const chosen: Site = { ...demo, choice };
  return withChanges(chosen, slotSite(highs, chosen, evaluateSite(chosen).allocation, 'all').changes);
}

/** What holds for a check: in the middle of its limits, or what was predicted where that holds. */
export function soundReading({ limit, predicted }: CheckState): AcceptanceFound {
  switch (limit.kind) {
    case 'seen':
      return { kind: 'seen', isSo: true };
    case 'words':
      return { kind: 'words', words: 'J. Holm, harbour office' };
    case 'soak':
      return { kind: 'soak', hours: limit.hours, lostPercent: 0, drops: 0, gapMinutes: 0 };
    case 'figure': {
      const { least, most } = limit;
      const value = predicted?.value ?? most ?? least ?? 1;
      return { kind: 'figure', value: Math.min(Math.max(value, least ?? value), most ?? value) };
    }
  }
}
