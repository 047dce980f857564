import { optionRow, type OptionKind } from './optionKinds';
import type { Change } from './change';
import type { Site } from './site';

/** What an option asks of a slot: two that ask the same can share one. */
const slotOf = (option: OptionKind) => optionRow(option).slot;

/** Readings of a camera's run that there are, in the order of their ids. */
const readingsNow = (site: Site, cameraId: string): string[] => {
  const runs = new Set(
    Object.values(site.run)
      .filter((run) => run.cameraId === cameraId)
      .map(({ id }) => id),
  );
  return Object.values(site.reading)
    .filter(({ runId, struck }) => runs.has(runId) && !struck)
    .map(({ id }) => id)
    .sort();
};

export interface ChoiceMade {
  option: OptionKind;
  by: string;
  at: string;
  locked?: boolean | undefined;
  planId?: string | undefined;
}

/**
 * The changes that choose an option. A slot that was found for coax does not fit an IP camera and the reverse, so a
 * placement goes when the choice changes between the two.
 */
export function choose(
  site: Site,
  cameraId: string,
  { option, by, at, locked, planId }: ChoiceMade,
): Change[] {
  const before = site.choice[cameraId];
  const set = {
    id: cameraId,
    option,
    at,
    by,
    readingIds: readingsNow(site, cameraId),
    ...(locked ? { locked } : {}),
    ...(planId === undefined ? {} : { planId }),
  };
  const changes: Change[] = [{ kind: 'choice', id: cameraId, set }];
  const stays = before && slotOf(before.option) === slotOf(option);
  if (site.placement[cameraId] && !stays) changes.push({ kind: 'placement', id: cameraId, remove: true });
  return changes;
}

/** The changes that take a choice back, and the slot that was found for it. */
export function takeBackChoice(site: Site, cameraId: string): Change[] {
  const changes: Change[] = [{ kind: 'choice', id: cameraId, remove: true }];
  if (site.placement[cameraId]) changes.push({ kind: 'placement', id: cameraId, remove: true });
  return changes;
}

/** The changes that hold a choice against whatever is planned, or let it go. */
export function lockChoice(site: Site, cameraId: string, locked: boolean): Change[] {
  const choice = site.choice[cameraId];
  if (!choice) return [];
  const { locked: _, ...rest } = choice;
  return [{ kind: 'choice', id: cameraId, set: locked ? { ...rest, locked } : rest }];
}
