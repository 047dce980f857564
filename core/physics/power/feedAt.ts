import type { CameraLoad } from './cameraLoad';
import { dcFeed } from './dcFeed';

/** A camera behind a loop; on DC its volt-amperes are watts. */
export interface FedLoad extends CameraLoad {
  sourceVolts: number;
  loopOhms: number;
}

const fedAt = ({ voltAmps, heaterOhms, ...feed }: FedLoad) =>
  dcFeed({ ...feed, load: { kind: 'watts', watts: voltAmps, heaterOhms }, minLoadVolts: 0 });

/** Volts that arrive at the load; 0 where the feed collapses. */
export function arrivingVolts(load: FedLoad): number {
  const feed = fedAt(load);
  return feed.state === 'collapsed' ? 0 : feed.loadVolts;
}

/** Amps that the source gives. Where the feed collapses they run up to what the wire lets through at half the volts. */
export function drawnAmps(load: FedLoad): { amps: number; collapses: boolean } {
  const feed = fedAt(load);
  return feed.state === 'collapsed'
    ? { amps: load.sourceVolts / (2 * load.loopOhms), collapses: true }
    : { amps: feed.amps, collapses: false };
}
