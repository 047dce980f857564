import { comesOrGoes } from '#core/allocate/recorder';
import { networkOf, type Moment, type Network } from '#core/connect/topology';
import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { migrationOfSite } from './slotAllocation';

/** Which moment of the network is looked at: today, the morning after a night, counted from 1, or when all is done. */
export type NetworkMoment = { kind: 'today' } | { kind: 'after' } | { kind: 'morning'; night: number };

/** Cameras that are on the network on the morning after a night. */
function movedBy({ nights }: ReturnType<typeof migrationOfSite>, night: number): Set<string> {
  const steps = nights.slice(0, night).flatMap((one) => one.steps);
  return new Set(steps.flatMap((step) => (comesOrGoes(step) ? [step.cameraId] : [])));
}

/** A moment as the network takes it, with who has moved by then, and how many nights lead from today to the end. */
export function momentOf(
  site: Site,
  { allocation }: Pick<SiteEvaluation, 'allocation'>,
  at: NetworkMoment,
): { moment: Moment; nights: number } {
  const migration = migrationOfSite(site, allocation);
  const moment: Moment = at.kind === 'morning' ? { kind: at.kind, moved: movedBy(migration, at.night) } : at;
  return { moment, nights: migration.nights.filter(({ steps }) => steps.length > 0).length };
}

/** The network at a moment, and how many nights lead from today to the end. */
export function networkAt(
  site: Site,
  evaluation: SiteEvaluation,
  at: NetworkMoment,
): Network & { nights: number } {
  const { moment, nights } = momentOf(site, evaluation, at);
  return { ...networkOf(site, evaluation.runs, evaluation.total, moment), nights };
}
