import { cameraLoad, dcFeed, type Feed } from '#core/physics/power';
import type { Camera, Run } from '#core/model/site';
import {
  figure,
  unboundedUtilisation,
  type Figure,
  type Status,
  type Step,
  statusOf,
} from '#core/shared/derivation';
import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import type { Loop } from './loops';
import { dayLoad } from './cameraLoads';
import { sharedLead, type LeadSite, type LoadOf, type SharedLead } from './sharedLead';

/** What feeds a camera: volts and current kind at the source, and the most it may give. */
export interface FeedSource {
  name: string;
  current: 'dc' | 'ac';
  volts: number;
  /** The same by day: behind a lead, less is taken of them then. */
  dayVolts: number;
  /** Whether they are what somebody noted, and not what a lead leaves of that. */
  isNoted: boolean;
  /** The most that it ever gives: a box with a battery on its rail charges it. */
  highestVolts: number;
  limitWatts: number;
}

/** Volts of a 12 V lead battery while it is charged on float. Source: makers' usual figures at 20 °C. */
export const floatVolts = 13.8;

/** The lead in words, with what it takes: `behind the lead of 8 cameras, 2.4 A over 0.41 Ω`. */
const leadWords = ({ cameras, amps, ohms }: SharedLead): string =>
  `behind the lead of ${counted(cameras, 'camera')}, ${formatQuantity(amps, 'A')} over ${formatQuantity(ohms, 'Ω')}`;

/**
 * The supply box output or adapter a run hangs on. Behind a lead that it shares with others, what that leaves with all of them at their
 * worst; the most that it gives is met while the others take nothing.
 */
export function feedSource(site: LeadSite, run: Run, loadOf?: LoadOf): FeedSource {
  const { feed } = run;
  if (feed.kind === 'local-adapter')
    return {
      name: 'local adapter',
      current: feed.current,
      volts: feed.volts,
      dayVolts: feed.volts,
      isNoted: true,
      highestVolts: feed.volts,
      limitWatts: feed.volts * feed.ratedAmps,
    };
  const supply = site.supply[feed.supplyId]!;
  const fuseAmps = supply.outputs.find((output) => output.number === feed.output)!.fuseAmps;
  const lead = sharedLead(site, run, supply.setVolts, loadOf);
  return {
    name: `${supply.name}, output ${feed.output}${lead ? `, ${leadWords(lead)}` : ''}`,
    current: supply.current,
    volts: lead ? lead.volts : supply.setVolts,
    dayVolts: lead ? sharedLead(site, run, supply.setVolts, dayLoad)!.volts : supply.setVolts,
    isNoted: !lead,
    highestVolts:
      supply.battery && supply.current === 'dc' ? Math.max(supply.setVolts, floatVolts) : supply.setVolts,
    limitWatts: supply.setVolts * Math.min(fuseAmps, supply.ratedAmps),
  };
}

export type Window = Camera['supply']['window'];

/** Share of the allowed drop that is used, and how that stands. Above the window is past it too. */
export function voltsShare(
  sourceVolts: number,
  loadVolts: number,
  window: Window,
): { utilisation: number; status: Status } {
  if (loadVolts > window.maxVolts) return { utilisation: loadVolts / window.maxVolts, status: 'fails' };
  const allowedDrop = sourceVolts - window.minVolts;
  const used = sourceVolts - loadVolts;
  // A source that already sits at or under the window leaves no drop to share out.
  const share =
    allowedDrop > 0
      ? Math.max(0, used / allowedDrop)
      : loadVolts >= window.minVolts
        ? 1
        : unboundedUtilisation;
  return { utilisation: share, status: statusOf(share) };
}

export interface VoltsAtLoad {
  feed: Feed;
  volts: number;
  steps: () => Step[];
}

/** Volts that arrive at a load through the run's power loop; of its watts a heater, which is a resistance, takes some. */
export function voltsAtLoad(
  source: FeedSource,
  loop: Loop,
  watts: Figure,
  window: Window,
  heaterWatts = 0,
): VoltsAtLoad {
  const { voltAmps, heaterOhms } = cameraLoad(watts.value ?? 0, source.current, heaterWatts);
  const feed = dcFeed({
    sourceVolts: source.volts,
    loopOhms: loop.ohms,
    load: { kind: 'watts', watts: voltAmps, heaterOhms },
    minLoadVolts: window.minVolts,
    sourceLimitWatts: source.limitWatts,
  });
  const volts = feed.state === 'collapsed' ? 0 : feed.loadVolts;
  return {
    feed,
    volts,
    steps: () => {
      const step = loop.step();
      const result = figure(
        feed.state === 'collapsed' ? 'collapses' : 'at the camera',
        volts,
        'V',
        'computed',
      );
      return [
        step,
        {
          message: 'Volts that arrive',
          formula: 'dc-feed',
          inputs: [
            figure(source.name, source.volts, 'V', source.isNoted ? 'noted' : 'computed'),
            step.result,
            watts,
            ...(source.current === 'ac'
              ? [figure('volt-amperes, power factor 0.65', voltAmps, 'W', 'typical')]
              : []),
            ...(heaterOhms === undefined
              ? []
              : [figure('heater, a resistance', heaterOhms, 'Ω', 'computed')]),
          ],
          result,
        },
      ];
    },
  };
}
