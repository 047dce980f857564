import { isMoved, type Moment, type Topology } from '#core/connect/topology';
import { drawsToday, type Draws, type FeasibleOption } from '#core/decide/options';
import { chosenOption, isGivenUp, type RunEvaluation } from '#core/decide/runEvaluation';
import { optionRow, type Camera, type Site } from '#core/model/site';
import { viewNeed } from '#core/model/views';

/** What feeds a camera, or its heater on the pair that fed the old one, with what it takes there by night. */
export type CameraFeed = { cameraId: string; number: number; name: string; isHeater: boolean } & (
  | { by: 'box'; supplyId: string; amps: number }
  | { by: 'port'; deviceId: string; watts: number }
  | { by: 'place'; placeId: string; watts: number }
  /** A supply for it alone at the head end, in the place of the box. */
  | { by: 'own-supply'; watts: number }
);

type Port = { deviceId: string; watts: number } | undefined;

const whose = ({ id: cameraId, number, name }: Camera) => ({ cameraId, number, name, isHeater: false });

const byBox = ({ supplyId, amps }: Draws) => ({ by: 'box' as const, supplyId, amps });

/** Watts by night of what hangs there when an option is carried out: today's camera, or the next one that the view needs. */
function nightWatts(site: Site, camera: Camera, option: FeasibleOption | undefined): number {
  if (!option || optionRow(option.kind).keepsCamera) return camera.watts.night;
  return viewNeed(site, camera)[option.signal.kind === 'ip' ? 'ip' : 'hd'].nightWatts;
}

/** What feeds a camera of the old site: its port, its box, or something at its own place. */
function feedsOfRun(
  site: Site,
  { run, camera, findings, optionOf, chosen }: RunEvaluation,
  moment: Moment,
  port: Port,
): CameraFeed[] {
  const moved = isMoved(moment, camera.id);
  if (moved && isGivenUp({ optionOf, chosen })) return [];
  const option = moved ? chosenOption({ optionOf, chosen }) : undefined;
  // Beside a port the old pair may go on feeding a heater.
  const draws = option ? option.draws : drawsToday(site, run, camera, findings);
  const who = whose(camera);
  if (port)
    return [{ ...who, by: 'port', ...port }, ...(draws ? [{ ...who, isHeater: true, ...byBox(draws) }] : [])];
  if (draws) return [{ ...who, ...byBox(draws) }];
  const watts = nightWatts(site, camera, option);
  if (option?.ownSupply) return [{ ...who, by: 'own-supply', watts }];
  return [{ ...who, by: 'place', placeId: camera.placeId, watts }];
}

/** What feeds a camera of the network: its port, or something at its own place. */
function feedOfNetwork(site: Site, camera: Camera, port: Port): CameraFeed {
  const who = whose(camera);
  if (port) return { ...who, by: 'port', ...port };
  return { ...who, by: 'place', placeId: camera.placeId, watts: viewNeed(site, camera).ip.nightWatts };
}

/** What feeds every camera at a moment, by number. */
export function cameraFeeds(
  site: Site,
  runs: readonly RunEvaluation[],
  { cameras }: Topology,
  moment: Moment,
): CameraFeed[] {
  const ports = new Map(
    cameras.flatMap(({ cameraId, deviceId, watts, nightWatts = watts }) =>
      deviceId !== null && watts > 0 ? [[cameraId, { deviceId, watts: nightWatts }] as const] : [],
    ),
  );
  return [
    ...runs.flatMap((run) => feedsOfRun(site, run, moment, ports.get(run.camera.id))),
    ...cameras
      .filter(({ runId }) => runId === null)
      .map(({ cameraId }) => feedOfNetwork(site, site.camera[cameraId]!, ports.get(cameraId))),
  ].sort((a, b) => a.number - b.number);
}
