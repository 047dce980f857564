import type { Camera } from '#core/model/site';
import { cameraLoad, dcFeed } from '#core/physics/power';
import { basisOf } from '#core/shared/derivation';
import { voltsShare, type FeedSource, type Loop } from '#core/test/findings';
import type { Scenario } from './scenario';
import { loadFactor, ohmsFactor } from './spreads';

/** A camera on a feed: what it takes, what that rests on, and the window it takes it in. */
export interface FedCamera {
  source: Pick<FeedSource, 'volts' | 'limitWatts' | 'current'>;
  loop: Pick<Loop, 'ohms' | 'from'>;
  window: Camera['supply']['window'];
  watts: number;
  /** Of them a heater's, which fall with the volts. */
  heaterWatts: number;
  wattsFrom: 'typical' | 'data-sheet';
}

/** Volts that arrive at a camera in a scenario; none where its supply collapses. */
export function loadVoltsUnder(
  { source, loop, window, watts, heaterWatts, wattsFrom }: FedCamera,
  scenario: Scenario,
): number {
  const times = loadFactor(wattsFrom, scenario);
  const { voltAmps, heaterOhms } = cameraLoad(watts * times, source.current, heaterWatts * times);
  const feed = dcFeed({
    sourceVolts: source.volts,
    loopOhms: loop.ohms * ohmsFactor(basisOf(loop.from), scenario.powerOhms, scenario.powerTimes),
    minLoadVolts: window.minVolts,
    sourceLimitWatts: source.limitWatts,
    load: { kind: 'watts', watts: voltAmps, heaterOhms },
  });
  return feed.state === 'collapsed' ? 0 : feed.loadVolts;
}

/** Share of the drop that a camera uses in a scenario. */
export const voltsUnder = (fed: FedCamera, scenario: Scenario): number =>
  voltsShare(fed.source.volts, loadVoltsUnder(fed, scenario), fed.window).utilisation;
