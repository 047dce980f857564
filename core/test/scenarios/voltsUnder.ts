import type { Camera } from '#core/model/site';
import { dcFeed, voltAmpsOf } from '#core/physics/power';
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
  wattsFrom: 'typical' | 'data-sheet';
}

/** Share of the drop that a constant-power load uses in a scenario. */
export function voltsUnder(
  { source, loop, window, watts, wattsFrom }: FedCamera,
  scenario: Scenario,
): number {
  const feed = dcFeed({
    sourceVolts: source.volts,
    loopOhms: loop.ohms * ohmsFactor(basisOf(loop.from), scenario.powerOhms),
    minLoadVolts: window.minVolts,
    sourceLimitWatts: source.limitWatts,
    load: { kind: 'watts', watts: voltAmpsOf(watts * loadFactor(wattsFrom, scenario), source.current) },
  });
  return voltsShare(source.volts, feed.state === 'collapsed' ? 0 : feed.loadVolts, window).utilisation;
}
