import { networkOf, type Network } from '#core/connect/topology';
import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { migrationOfSite } from './slotAllocation';

/** Which moment of the network is looked at: today, the morning after a night, counted from 1, or when all is done. */
export type NetworkMoment = { kind: 'today' } | { kind: 'after' } | { kind: 'morning'; night: number };

/** Cameras that are on the network on the morning after a night. */
function movedBy({ nights }: ReturnType<typeof migrationOfSite>, night: number): Set<string> {
  const steps = nights.slice(0, night).flatMap((one) => one.steps);
  return new Set(
    steps.flatMap((step) => (step.kind === 'join' || step.kind === 'unplug' ? [step.cameraId] : [])),
  );
}

/** The network at a moment, and how many nights lead from today to the end. */
export function networkAt(
  site: Site,
  { runs, total, allocation }: SiteEvaluation,
  moment: NetworkMoment,
): Network & { nights: number } {
  const migration = migrationOfSite(site, allocation);
  const nights = migration.nights.filter(({ steps }) => steps.length > 0).length;
  const at =
    moment.kind === 'morning' ? { kind: moment.kind, moved: movedBy(migration, moment.night) } : moment;
  return { ...networkOf(site, runs, total, at), nights };
}
