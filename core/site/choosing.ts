import type { OptionKind } from './decision';
import type { Change } from './edit';
import type { Site } from './site';

const isIp = (option: OptionKind): boolean => option.startsWith('ip-') || option === 'new-category';

/**
 * The changes that choose an option. A slot that was found for coax does not fit an IP camera and the reverse, so a
 * placement goes when the choice changes between the two.
 */
export function choose(site: Site, cameraId: string, option: OptionKind, by: string, at: string): Change[] {
  const before = site.choice[cameraId];
  const changes: Change[] = [{ kind: 'choice', id: cameraId, set: { id: cameraId, option, at, by } }];
  const stays = before && isIp(before.option) === isIp(option);
  if (site.placement[cameraId] && !stays) changes.push({ kind: 'placement', id: cameraId, remove: true });
  return changes;
}

/** The changes that take a choice back, and the slot that was found for it. */
export function takeBackChoice(site: Site, cameraId: string): Change[] {
  const changes: Change[] = [{ kind: 'choice', id: cameraId, remove: true }];
  if (site.placement[cameraId]) changes.push({ kind: 'placement', id: cameraId, remove: true });
  return changes;
}
