import type { TargetClassId } from '#core/site';

/** A generic class of successor camera. Invented typical figures; a data sheet in hand overrides them. */
export interface TargetCamera {
  label: string;
  megapixels: number;
  ip: { nightWatts: number; mbps: number };
  /** The same view as an HD-over-coax camera: the best format worth sending and its power. */
  hd: { bestFormat: string; nightWatts: number };
}

export const targetCameras: Record<TargetClassId, TargetCamera> = {
  'fixed-2mp': { label: 'Fixed, 2 MP', megapixels: 2, ip: { nightWatts: 6.5, mbps: 4 }, hd: { bestFormat: 'hd1080', nightWatts: 3.6 } },
  'fixed-4mp': { label: 'Fixed, 4 MP', megapixels: 4, ip: { nightWatts: 8, mbps: 6 }, hd: { bestFormat: 'hd4mp', nightWatts: 4.4 } },
  'fixed-8mp': { label: 'Fixed, 8 MP', megapixels: 8, ip: { nightWatts: 11, mbps: 10 }, hd: { bestFormat: 'hd8mp', nightWatts: 5.2 } },
  'turning-4mp': { label: 'Turning, 4 MP', megapixels: 4, ip: { nightWatts: 22, mbps: 8 }, hd: { bestFormat: 'hd4mp', nightWatts: 24 } },
};
