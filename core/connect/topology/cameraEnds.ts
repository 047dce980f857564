import type { FeasibleOption, NetworkCameraNeed } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { optionRow, type NetworkCamera, type Site } from '#core/model/site';
import { lineKind } from '#core/test/findings';
import { isMoved, type CameraNow, type Moment } from './moment';
import { sentMbps, type SharedWay } from './sharedWays';
import type { CameraEnd, Device, Medium } from './types';

const pictureMedium = (run: RunEvaluation['run']): Medium =>
  lineKind(run) === 'coax' ? 'coax-picture' : 'balun';

const networkMedium = ({ kind }: FeasibleOption, run: RunEvaluation['run']): Medium => {
  const { cable, keepsCamera } = optionRow(kind);
  if (keepsCamera) return pictureMedium(run);
  return cable === 'coax' ? 'coax-data' : 'category';
};

/** What hangs where: gear by who asked for a port of it, and ways with the switches that they lead to. */
export interface Hanging {
  attached: ReadonlyMap<string, Device>;
  wayOfCamera: ReadonlyMap<string, SharedWay>;
  /** The field switch of each camera that meets others on its way. */
  fieldSwitchOf: ReadonlyMap<string, Device>;
}

/** How an end hangs: on what, over what, with what it sends and takes there. */
interface Hung extends Pick<CameraEnd, 'deviceId' | 'medium' | 'lengthM' | 'mbps'> {
  watts?: number | undefined;
  nightWatts?: number | undefined;
  onCoaxOf?: string | undefined;
  isPinned?: boolean;
}

const recorderOf = (site: Site, { run, camera }: RunEvaluation, option: FeasibleOption | null) =>
  (option ? site.placement[camera.id]?.recorderId : undefined) ?? run.patchedTo?.recorderId ?? null;

function hungByOption(
  site: Site,
  { camera, run, lengthM }: RunEvaluation,
  option: FeasibleOption,
  { attached, wayOfCamera, fieldSwitchOf }: Hanging,
): Hung {
  const mbps = sentMbps(option);
  const ownWay = wayOfCamera.get(camera.id);
  const way = ownWay?.intoPlaceId === undefined ? ownWay : undefined;
  const fieldSwitch = fieldSwitchOf.get(camera.id);
  if (fieldSwitch) return { deviceId: fieldSwitch.id, medium: 'category', lengthM: 0, mbps };
  if (way)
    return { deviceId: attached.get(way.key)?.id ?? null, medium: way.medium, lengthM: way.lengthM, mbps };
  const device = attached.get(camera.id);
  return {
    deviceId: device?.id ?? null,
    medium: networkMedium(option, run),
    lengthM: optionRow(option.kind).cable === 'none' ? option.newCableM : lengthM,
    mbps,
    watts: option.shared?.sourceWatts,
    nightWatts: option.shared?.nightWatts,
    onCoaxOf: option.onCoaxOf ?? undefined,
    isPinned: device !== undefined && site.attachment[camera.id]?.deviceId === device.id,
  };
}

/** How a camera of the old site hangs then. Every end has the same fields in the same order: a thousand of them are walked often. */
export function runEnd(site: Site, { evaluation, option }: CameraNow, hanging: Hanging): CameraEnd {
  const { camera, run, lengthM } = evaluation;
  const recorderId = recorderOf(site, evaluation, option);
  const hung: Hung =
    option?.signal.kind === 'ip'
      ? hungByOption(site, evaluation, option, hanging)
      : { deviceId: recorderId, medium: pictureMedium(run), lengthM, mbps: 0 };
  return {
    cameraId: camera.id,
    runId: run.id,
    number: camera.number,
    name: camera.name,
    placeId: camera.placeId,
    deviceId: hung.deviceId,
    recorderId,
    medium: hung.medium,
    lengthM: hung.lengthM,
    mbps: hung.mbps,
    airMbps: undefined,
    watts: hung.watts ?? 0,
    nightWatts: hung.nightWatts,
    onCoaxOf: hung.onCoaxOf,
    isNewCable: option?.kind === 'new-category',
    isPinned: hung.isPinned ?? false,
  };
}

/** The recorder that keeps a camera of the network: the one that does today as long as that counts, else the one that is planned. */
function keptBy(
  { placement }: Pick<Site, 'placement'>,
  { id, recordedAt }: NetworkCamera,
  moment: Moment,
): string | null {
  const planned = placement[id];
  const at = isMoved(moment, id) ? (planned ?? recordedAt) : (recordedAt ?? planned);
  return at?.recorderId ?? null;
}

/** What a camera of the network is noted to hang on, where that is there. */
const hangsOn = ({ deviceId }: NetworkCamera, devices: ReadonlyMap<string, Device>): string | null =>
  deviceId !== undefined && devices.has(deviceId) ? deviceId : null;

/** How a camera of the network hangs there: on what is noted, or on nothing yet. */
export const networkEnd = (
  site: Pick<Site, 'placement'>,
  { camera, fact, portWatts, signal }: NetworkCameraNeed,
  devices: ReadonlyMap<string, Device>,
  moment: Moment,
): CameraEnd => ({
  cameraId: camera.id,
  runId: null,
  number: camera.number,
  name: camera.name,
  placeId: camera.placeId,
  deviceId: hangsOn(fact, devices),
  recorderId: keptBy(site, fact, moment),
  medium: fact.lead.medium,
  lengthM: fact.lead.lengthM,
  mbps: signal.mbps,
  airMbps: fact.lead.rateMbps,
  watts: portWatts,
  nightWatts: undefined,
  onCoaxOf: undefined,
  isNewCable: false,
  isPinned: hangsOn(fact, devices) !== null,
});
