import type { Place } from '#core/model/site';
import type { ViewNeed } from '#core/model/views';
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

export type NewCameras = Readonly<Record<'ip' | 'hd', NewCamera>>;

/** What a new camera for a view brings with it at its place, by what it sends. */
export function newCameras(need: ViewNeed, { environment }: Place): NewCameras {
  const isDry = isSheltered(environment);
  const newCamera = (signal: 'ip' | 'hd'): NewCamera => ({
    parts: [{ item: need[signal].product.id, count: 1 }, ...(isDry ? fixed : sealed)],
    work: isDry ? dryWork[signal] : sealedWork[signal],
  });
  return { ip: newCamera('ip'), hd: newCamera('hd') };
}
