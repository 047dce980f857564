import type { Site } from '#core/model/site';
import type { SiteEvaluation } from './evaluateSite';
import { moveTask } from './moveTask';
import type { NightsNow } from './nightsNow';

/** A task of a night that would do better in another one. */
export interface NightHelp {
  taskId: string;
  /** Where it would go. */
  to: string;
  /** The chance of the night without it, from 0 to 1. */
  chance: number;
  /** The chance of the night that it goes into. */
  there: number;
}

/** So many ways out are named. */
const mostNamed = 3;

/**
 * Which single task has to leave a night, and to where, so that the night is surest to end within its shift: only moves that no rule is against,
 * and for each task the night that stays surest with it.
 */
export function nightHelp(site: Site, evaluation: SiteEvaluation, now: NightsNow, date: string): NightHelp[] {
  const night = now.nights.find((one) => one.date === date);
  if (!night || night.state !== 'to-come') return [];
  const found = night.jobs.flatMap(({ job }): NightHelp[] => {
    const moves = now.dates
      .filter((to) => to !== date)
      .flatMap((to): NightHelp[] => {
        const moved = moveTask(site, evaluation, now, job.id, { date: to, crewId: null });
        if (moved.kind === 'refused') return [];
        // A night that nothing is left of is over in time.
        return [{ taskId: job.id, to, chance: moved.chances[date] ?? 1, there: moved.chances[to] ?? 1 }];
      });
    const [best] = moves.sort((a, b) => b.there - a.there || a.to.localeCompare(b.to, 'en'));
    return best && best.chance > night.chance ? [best] : [];
  });
  return found.sort((a, b) => b.chance - a.chance || b.there - a.there).slice(0, mostNamed);
}
