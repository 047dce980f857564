import type { Total } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { attach } from './attach';
import { devicesNoted, plannedUnits } from './devicesOf';
import { fieldSwitchesAt, type FieldSwitches } from './fieldSwitches';
import { endsOf, leadsOf } from './leads';
import { camerasNow, networkCamerasAt } from './moment';
import { coresOf, leadKey, leadNeeds, patchesOf, trunksOf } from './patches';
import { networkPortNeed, portNeeds } from './portNeeds';
import { sharedWays, type SharedWay } from './sharedWays';
import type { Device } from './types';

/** What everything that is planned hangs on once all is done: whoever is moved hangs there from the first, for nobody plugs it in twice. */
export interface AtEnd {
  units: Device[];
  ways: SharedWay[];
  /** Ways that lead to a switch at the place, since several cameras meet there. */
  meeting: SharedWay[];
  fieldSwitches: FieldSwitches;
  /** The device of each camera by its id, and of each way and lead by its key. */
  attached: ReadonlyMap<string, Device>;
}

const after = { kind: 'after' } as const;

export function hangingAtEnd(
  site: Site,
  runs: readonly RunEvaluation[],
  total: Pick<Total, 'shared'>,
): AtEnd {
  const cameras = camerasNow(runs, after);
  const ways = sharedWays(cameras);
  // A cable to a switch at the place leads there whoever hangs on it; light and radio lead to a lone camera by themselves.
  const meeting = ways.filter(
    ({ cameraIds, intoPlaceId }) => cameraIds.length > 1 || intoPlaceId !== undefined,
  );
  const units = plannedUnits(site, total);
  const fieldSwitches = fieldSwitchesAt(
    site,
    meeting.filter(({ intoPlaceId }) => intoPlaceId === undefined),
  );
  const devices = [...devicesNoted(site, true), ...units, ...fieldSwitches.devices];
  const deviceOf = new Map(devices.map((device) => [device.id, device]));
  const cores = coresOf(devices);
  const leads = leadNeeds(devices, cores);
  const asking = new Set(leads.map(({ key }) => key));
  const between = [
    ...patchesOf(
      devices.filter((device) => !asking.has(leadKey(device))),
      cores,
    ),
    ...trunksOf(site, devices, cores, true),
  ];
  const endsOfWays = meeting.flatMap(({ intoPlaceId }) => {
    const into = intoPlaceId === undefined ? undefined : cores.get(intoPlaceId);
    return into ? [into.id] : [];
  });
  const attached = attach(
    [
      ...portNeeds(site, cameras, ways, deviceOf),
      ...networkCamerasAt(site, after).flatMap((one) => networkPortNeed(one, deviceOf)),
      ...leads,
    ],
    leadsOf(devices, [...endsOf(between), ...endsOfWays]),
  );
  return { units, ways, meeting, fieldSwitches, attached };
}
