import { figure, type Derivation, type Figure, type Load, type Step } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { airShares, sharedRadios, type AirShare } from './airtime';
import type { Network } from './network';
import { withPower } from './loads';
import type { CameraEnd, Device, Topology } from './types';
import { waysOf } from './ways';

/** Which load of the network is asked about. */
export type LoadSubject = { of: 'link'; id: string } | { of: 'device'; id: string; label: string };

/** So many cameras stand one by one; the rest of a long list stands as a sum. */
const mostListed = 8;

/** What each camera brings, the largest first. */
function inputsOf(cameras: readonly CameraEnd[], of: 'mbps' | 'watts'): Figure[] {
  const unit = of === 'mbps' ? 'Mb/s' : 'W';
  const sorted = [...cameras]
    .filter((one) => one[of] > 0)
    .sort((a, b) => b[of] - a[of] || a.number - b.number);
  const listed = sorted
    .slice(0, mostListed)
    .map((one) => figure(`camera ${one.number}`, one[of], unit, 'typical'));
  const rest = sorted.slice(mostListed);
  const sum = rest.reduce((all, one) => all + one[of], 0);
  return rest.length > 0 ? [...listed, figure(`${rest.length} more`, sum, unit, 'typical')] : listed;
}

const concluded = ({ status }: Load): string =>
  status === 'fails'
    ? 'More than it has.'
    : status === 'close'
      ? 'It holds, with little to spare.'
      : 'It holds.';

function linkDerivation({ topology, links }: Network, id: string): Derivation | null {
  const load = links.find(({ linkId }) => linkId === id)?.load;
  const link = topology.links.find((one) => one.id === id);
  if (!load || !link) return null;
  const ways = waysOf(topology);
  const over = topology.cameras.filter(({ cameraId }) => ways.get(cameraId)?.linkIds.includes(id));
  return {
    title: `${load.label}, ${formatQuantity(load.used, 'Mb/s')}`,
    steps: [
      {
        message: 'What the cameras send whose way to their recorder goes over it',
        formula: 'link-load',
        inputs: inputsOf(over, 'mbps'),
        result: figure('goes over it', load.used, 'Mb/s', 'computed'),
      },
      {
        message: 'Of what it carries four fifths are used at most, and three are planned with',
        formula: 'link-room',
        inputs: [figure('carries', link.carriesMbps, 'Mb/s', 'noted')],
        result: figure('at most', load.most, 'Mb/s', 'policy'),
      },
    ],
    limit: { sense: 'at-most', figure: figure('at most', load.most, 'Mb/s', 'policy') },
    conclusion: concluded(load),
  };
}

/** What goes over a link together. */
function overLink(topology: Topology, linkId: string): number {
  const ways = waysOf(topology);
  const over = topology.cameras.filter(({ cameraId }) => ways.get(cameraId)?.linkIds.includes(linkId));
  return over.reduce((sum, { mbps }) => sum + mbps, 0);
}

/** What may be said while the rate of some camera is not read: a slower one takes more of the time. */
const concludedUnread = ({ status }: Load): string =>
  status === 'fails'
    ? 'More than it has, even at that rate.'
    : 'It would hold at that rate. Read the rate of each camera on the access point first.';

const airtimeStep = (shares: readonly AirShare[], load: Load): Step => ({
  message: shares.every(({ isNoted }) => isNoted)
    ? 'It serves one of them at a time; each takes its part of that time'
    : 'It serves one of them at a time; each takes its part of that time, one whose rate nobody has read as if it carried what the radio does',
  formula: 'airtime',
  inputs: shares.map(({ name, percent, isNoted }) =>
    figure(name, percent, '%', isNoted ? 'computed' : 'typical'),
  ),
  result: figure('on the air', load.used, '%', 'computed'),
});

function deviceDerivation({ topology, devices }: Network, id: string, label: string): Derivation | null {
  const load = devices.find(({ deviceId }) => deviceId === id)?.loads.find((one) => one.label === label);
  const device = topology.devices.find((one) => one.id === id);
  if (!load || !device) return null;
  const title = `${device.name}, ${label} ${formatQuantity(load.used, load.unit)}`;
  const limit = { sense: 'at-most', figure: figure('has', load.most, load.unit, 'noted') } as const;
  const conclusion = concluded(load);
  const hanging = topology.cameras.filter(({ deviceId }) => deviceId === id);
  if (load.label === 'airtime') {
    const served = sharedRadios(topology).get(id);
    const shares = served ? airShares(served, (link) => overLink(topology, link)) : [];
    return {
      title,
      limit: { sense: 'at-most', figure: figure('at most', load.most, '%', 'policy') },
      conclusion: shares.every(({ isNoted }) => isNoted) ? conclusion : concludedUnread(load),
      steps: [airtimeStep(shares, load)],
    };
  }
  if (load.unit === 'Mb/s') {
    const ways = waysOf(topology);
    const into = topology.cameras.filter(({ cameraId }) => ways.get(cameraId)?.deviceIds.includes(id));
    const result = figure('come to it', load.used, 'Mb/s', 'computed');
    const message = 'What the cameras send that are recorded there and reach it';
    return {
      title,
      limit,
      conclusion,
      steps: [{ message, formula: 'link-load', inputs: inputsOf(into, 'mbps'), result }],
    };
  }
  if (load.unit === 'W') {
    const others = device.taken.watts > 0 ? [figure('others', device.taken.watts, 'W', 'noted')] : [];
    const result = figure('asked of it', load.used, 'W', 'computed');
    const message =
      'What its ports have to be able to give: the PoE class of each camera, over coax its start';
    const inputs = [...inputsOf(hanging, 'watts'), ...others];
    return { title, limit, conclusion, steps: [{ message, formula: 'pool-watts', inputs, result }] };
  }
  return { title, limit, conclusion, steps: [portsStep(load, device, hanging)] };
}

/** Ports in use: all of them, or those that give power. */
function portsStep(load: Load, { taken }: Device, hanging: readonly CameraEnd[]): Step {
  const isOfPower = load.label === withPower;
  const cameras = isOfPower ? hanging.filter(({ watts }) => watts > 0) : hanging;
  const leads = load.used - cameras.length - taken.ports;
  return {
    message: isOfPower
      ? 'A port with power for each camera that is fed by it, and for what others take'
      : 'A port for each camera on it, for each lead to other gear but the one that leads on, and for what others take',
    formula: 'ports-in-use',
    inputs: [
      figure('cameras', cameras.length, '', 'computed'),
      ...(leads > 0 ? [figure('leads', leads, '', 'computed')] : []),
      ...(taken.ports > 0 ? [figure('others', taken.ports, '', 'noted')] : []),
    ],
    result: figure('in use', load.used, '', 'computed'),
  };
}

/** How a load of a network was reached; `null` where there is no such load any more. */
export const loadDerivation = (network: Network, subject: LoadSubject): Derivation | null =>
  subject.of === 'link'
    ? linkDerivation(network, subject.id)
    : deviceDerivation(network, subject.id, subject.label);
