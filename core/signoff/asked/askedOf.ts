import { networkCameraNeeds } from '#core/decide/options';
import { optionLines } from '#core/decide/risk';
import { cameraAsked } from './cameraAsked';
import { networkCameraAsked } from './networkCameraAsked';
import { thingsAsked, type WhenDone } from './thingsAsked';
import type { AskedThing } from './types';

/** Everything that has to be looked at before a site is accepted, by what was chosen for it. */
export function askedOf(done: WhenDone): AskedThing[] {
  const { site, runs, network, policy } = done;
  const ends = new Map(network.topology.cameras.map((end) => [end.cameraId, end]));
  const devices = new Map(network.topology.devices.map((device) => [device.id, device]));
  const portOf = (cameraId: string) => {
    const end = ends.get(cameraId);
    return [end, devices.get(end?.deviceId ?? '')] as const;
  };
  const lineOf = optionLines(site, runs);
  const onRuns = runs.flatMap(
    (run) => cameraAsked(site, run, lineOf, policy, ...portOf(run.camera.id)) ?? [],
  );
  const onNetwork = networkCameraNeeds(site).map((one) =>
    networkCameraAsked(one, policy, ...portOf(one.camera.id)),
  );
  return [...onRuns, ...onNetwork, ...thingsAsked(done)];
}
