import { loadOf, type Load } from '#core/shared/derivation';

/** Of what a link carries, so much is used at most, and so much is planned with. Policy: room for bursts and for what is read back. */
const mostOfLink = 0.8;
const plannedOfLink = 0.6;

/** What is used of a link that carries so much, in its unit: close past what is planned with, failing past what is used at most. */
export function loadWithRoom(label: string, used: number, carries: number, unit: Load['unit']): Load {
  const load = loadOf(label, used, mostOfLink * carries, unit);
  const { utilisation } = load;
  const status = utilisation > 1 ? 'fails' : utilisation > plannedOfLink / mostOfLink ? 'close' : 'holds';
  return { ...load, status };
}
