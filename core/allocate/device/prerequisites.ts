import { inNetwork } from '#core/shared/network';
import { claimantsOf, takenAddresses, type Addressed } from '#core/model/addresses';
import { changeCost, ipInputsToday, type RecorderState } from '#core/allocate/recorder';
import { pictureFormat, takesPicture } from '#core/physics/signal';
import type { Camera, NetworkConfig, Recorder, Site } from '#core/model/site';

export type PrerequisiteId = 'network' | 'addresses' | 'passwords' | 'formats' | 'settings' | 'time';

/** Something that has to be so before a recorder takes its cameras, in the order in which a person sees to it. */
export interface Prerequisite {
  id: PrerequisiteId;
  message: string;
  /** `do` is for what is done when the plan is applied, not before. */
  state: 'met' | 'open' | 'do';
  /** What is not so yet, one by one. */
  missing: { cameraId: string | null; why: string }[];
}

interface OnIp {
  camera: Camera;
  networkConfig: NetworkConfig | undefined;
}

function networkMissing(recorder: Recorder, onIp: readonly OnIp[]): Prerequisite['missing'] {
  const { network, name } = recorder;
  if (!network) return [{ cameraId: null, why: `${name} address missing.` }];
  return onIp.flatMap(({ camera, networkConfig }) => {
    if (!networkConfig?.address)
      return [{ cameraId: camera.id, why: `Camera ${camera.number} has no address.` }];
    return inNetwork(networkConfig.address, network)
      ? []
      : [
          {
            cameraId: camera.id,
            why: `Camera ${camera.number} at ${networkConfig.address} is not in the network of ${name}, ${network.address}/${network.prefixBits}.`,
          },
        ];
  });
}

function addressesMissing(
  site: Addressed,
  recorder: Recorder,
  onIp: readonly OnIp[],
): Prerequisite['missing'] {
  const by = takenAddresses(site);
  const mine = [
    { cameraId: null as string | null, address: recorder.network?.address },
    ...onIp.map(({ camera, networkConfig }) => ({
      cameraId: camera.id as string | null,
      address: networkConfig?.address,
    })),
  ];
  const seen = new Set<string>();
  return mine.flatMap(({ cameraId, address }) => {
    const owners = address === undefined ? undefined : by.get(address);
    if (address === undefined || !owners || seen.has(address)) return [];
    const names = claimantsOf(owners);
    if (names.length === 0) return [];
    seen.add(address);
    return [{ cameraId, why: `${address} is given twice: ${names.join(', ')}.` }];
  });
}

/** Formats and line standards of what stays on coax, against what the inputs take. */
function formatsMissing(
  site: Pick<Site, 'camera'>,
  { recorder, slots }: RecorderState,
): Prerequisite['missing'] {
  return slots.flatMap(({ occupants, slot }) =>
    occupants.flatMap(({ need }) => {
      const { signal, cameraId, number } = need;
      if (signal.kind !== 'coax') return [];
      const forced = recorder.forced?.find(({ input }) => input === slot)?.format;
      if (!recorder.accepts.includes(signal.format))
        return [
          {
            cameraId,
            why: `${recorder.name} does not take ${pictureFormat(signal.format).label}, which camera ${number} sends.`,
          },
        ];
      if (!takesPicture(recorder, signal))
        return [
          {
            cameraId,
            why: `${recorder.name} does not understand the HD scheme that camera ${number} sends.`,
          },
        ];
      if (forced !== undefined && forced !== signal.format)
        return [
          {
            cameraId,
            why: `Input ${slot} is set to ${pictureFormat(forced).label}; camera ${number} sends ${pictureFormat(signal.format).label}.`,
          },
        ];
      const lines = site.camera[cameraId]!.lineStandard;
      return recorder.lineStandard && recorder.lineStandard !== lines
        ? [
            {
              cameraId,
              why: `Camera ${number} is set to ${lines}, the inputs to ${recorder.lineStandard}: the picture rolls or is torn.`,
            },
          ]
        : [];
    }),
  );
}

const stateOf = (missing: Prerequisite['missing']): 'met' | 'open' => (missing.length === 0 ? 'met' : 'open');

/** What has to be so before a recorder is brought to its plan. Passwords are asked after, never kept. */
export function prerequisites(site: Addressed, state: RecorderState): Prerequisite[] {
  const { recorder, slots } = state;
  const onIp: OnIp[] = slots.flatMap(({ occupants }) =>
    occupants
      .filter(({ need }) => need.signal.kind === 'ip')
      .map(({ need }) => ({
        camera: site.camera[need.cameraId]!,
        networkConfig: site.networkConfig[need.cameraId],
      })),
  );
  const network = networkMissing(recorder, onIp);
  const addresses = addressesMissing(site, recorder, onIp);
  const passwords = onIp
    .filter(({ networkConfig }) => !networkConfig?.passwordHeldBy)
    .map(({ camera }) => ({
      cameraId: camera.id,
      why: `Camera ${camera.number}: nobody is noted who set its first password and holds it.`,
    }));
  const formats = formatsMissing(site, state);
  const ipInputs = new Set(slots.filter(({ converted }) => converted).map(({ slot }) => slot));
  const change = changeCost(recorder, ipInputsToday(recorder), ipInputs);
  const time =
    onIp.length > 0 && !recorder.network?.timeSource
      ? [
          {
            cameraId: null,
            why: `${recorder.name} has no time source; footage with the wrong time is not evidence.`,
          },
        ]
      : [];
  return [
    {
      id: 'network',
      message: 'Recorder and cameras in one network',
      state: stateOf(network),
      missing: network,
    },
    { id: 'addresses', message: 'No address given twice', state: stateOf(addresses), missing: addresses },
    {
      id: 'passwords',
      message: 'Every camera has its first password, and it is noted who holds it',
      state: stateOf(passwords),
      missing: passwords,
    },
    {
      id: 'formats',
      message: 'Format and line standard of every input',
      state: stateOf(formats),
      missing: formats,
    },
    change?.factoryValues
      ? {
          id: 'settings',
          message: 'Settings saved before the restart that wipes them, and put back after it',
          state: 'do',
          missing: [],
        }
      : {
          id: 'settings',
          message: change
            ? 'Settings stay over the restart; they are saved all the same'
            : 'No change that touches the settings',
          state: 'met',
          missing: [],
        },
    { id: 'time', message: 'A time source', state: stateOf(time), missing: time },
  ];
}
