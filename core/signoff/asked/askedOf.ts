import { cameraAsked } from './cameraAsked';
import { thingsAsked, type WhenDone } from './thingsAsked';
import type { AskedThing } from './types';

/** Everything that has to be looked at before a site is accepted, by what was chosen for it. */
export function askedOf(done: WhenDone): AskedThing[] {
  const { site, runs, network, policy } = done;
  const ends = new Map(network.topology.cameras.map((end) => [end.cameraId, end]));
  const devices = new Map(network.topology.devices.map((device) => [device.id, device]));
  const cameras = runs.flatMap((run) => {
    const end = ends.get(run.camera.id);
    return cameraAsked(site, run, policy, end, devices.get(end?.deviceId ?? '')) ?? [];
  });
  return [...cameras, ...thingsAsked(done)];
}
