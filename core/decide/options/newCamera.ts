import type { Context } from './context';
import type { Part } from './part';
import { isSheltered } from './sheltered';

/** What any new camera brings with it: itself, its mount, the old one's disposal; set up before, proved after, sealed outdoors. */
export interface NewCamera {
  parts: Part[];
  work: readonly string[];
}

const fixed = [
  { item: 'camera-mount', count: 1 },
  { item: 'disposal', count: 1 },
];
const sealed = [...fixed, { item: 'weatherproofing', count: 1 }];

const dryWork = {
  ip: ['configure-ip-camera', 'swap-ip-camera', 'commission-camera'],
  hd: ['configure-hd-camera', 'swap-hd-camera', 'commission-camera'],
} as const;
const sealedWork = {
  ip: [...dryWork.ip, 'weatherproof-end'],
  hd: [...dryWork.hd, 'weatherproof-end'],
} as const;

export function newCamera({ need, place }: Context, signal: 'ip' | 'hd'): NewCamera {
  const isDry = isSheltered(place.environment);
  return {
    parts: [{ item: need[signal].product.id, count: 1 }, ...(isDry ? fixed : sealed)],
    work: isDry ? dryWork[signal] : sealedWork[signal],
  };
}
