import type { Moment } from '#core/connect/topology';
import { tasksDone } from '#core/cutover/tasks';
import { lastTries, type Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { moves, type Move } from './morningLoads';
import { migrationOfSite, type SiteMigration } from './slotAllocation';

/**
 * Which moment of the network is looked at: today as it was surveyed, now with what was done since, the morning after a
 * night, counted from 1, or when all is done.
 */
export type NetworkMoment =
  { kind: 'today' } | { kind: 'now' } | { kind: 'morning'; night: number } | { kind: 'after' };

/** The mornings that lead from today to the end. */
export interface MomentsAhead {
  /** Dates of the nights that were agreed; `null` for nights of the order of moves, as long as none is. */
  nights: (string | null)[];
  /** Whether anything was changed over since the survey. */
  isBegun: boolean;
}

const camerasOf = (all: readonly Move[], isDone: (move: Move) => boolean): Set<string> =>
  new Set(all.filter(isDone).map(({ cameraId }) => cameraId));

interface MorningAhead {
  date: string | null;
  moved: ReadonlySet<string>;
}

/**
 * The mornings after the nights that were agreed: with what was done by then, and with what is still to be done in them. A night
 * after which another was worked in is over: what it has not brought about is not so in its morning.
 */
function morningsAgreed(site: Site, all: readonly Move[]): MorningAhead[] {
  const agreed = Object.values(site.plannedNight).sort((a, b) => a.date.localeCompare(b.date, 'en'));
  const tries = lastTries(site);
  const lastWorked = [...tries.values()].reduce((last, { night }) => (night > last ? night : last), '');
  const toCome = new Set<string>();
  return agreed.map(({ date, jobs }) => {
    for (const { taskId } of jobs) {
      // What was tried in this night or since is told by how that ended; what was put back before is to come once more.
      const last = tries.get(taskId);
      if (date >= lastWorked && !(last?.ended && last.night >= date)) toCome.add(taskId);
    }
    const isSo = ({ taskId }: Move): boolean => {
      const last = tries.get(taskId);
      return (last?.ended?.how === 'done' && last.night <= date) || toCome.has(taskId);
    };
    return { date, moved: camerasOf(all, isSo) };
  });
}

/** The mornings after the nights of the order of moves, which is all there is before nights are agreed. */
const morningsInOrder = ({ nights }: Pick<SiteMigration, 'nights'>): MorningAhead[] =>
  nights.flatMap(({ steps }, night) =>
    steps.length > 0
      ? [{ date: null, moved: camerasOf(moves({ nights: nights.slice(0, night + 1) }), () => true) }]
      : [],
  );

/** A moment as the network takes it, with who has moved by then, and the mornings that can be looked at. */
export function momentOf(
  site: Site,
  { allocation }: Pick<SiteEvaluation, 'allocation'>,
  at: NetworkMoment,
): { moment: Moment; ahead: MomentsAhead } {
  const migration = migrationOfSite(site, allocation);
  const all = moves(migration);
  const done = tasksDone(site);
  const now = camerasOf(all, ({ taskId }) => done.has(taskId));
  const isAgreed = Object.keys(site.plannedNight).length > 0;
  const mornings = isAgreed ? morningsAgreed(site, all) : morningsInOrder(migration);
  const movedAt = (): ReadonlySet<string> =>
    at.kind === 'morning'
      ? (mornings[at.night - 1]?.moved ?? new Set(all.map(({ cameraId }) => cameraId)))
      : now;
  return {
    moment: at.kind === 'today' || at.kind === 'after' ? at : { kind: 'morning', moved: movedAt() },
    ahead: { nights: mornings.map(({ date }) => date), isBegun: now.size > 0 },
  };
}
