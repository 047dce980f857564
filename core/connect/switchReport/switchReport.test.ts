import { describe, expect, it } from 'vitest';
import type { CameraEnd, Device, Topology } from '#core/connect/topology';
import { compareSwitch, type PortReport, type SwitchReport } from '.';

const device = (id: string): Device => ({
  id,
  kind: 'switch',
  name: id,
  placeId: 'hall',
  standing: 'there',
  ports: 2,
  poeWatts: 60,
  portWatts: 30,
  uplinkMbps: 1000,
});
const camera = (number: number, deviceId = 'here'): CameraEnd => ({
  cameraId: `c${number}`,
  runId: `r${number}`,
  number,
  name: `view ${number}`,
  placeId: 'shed',
  deviceId,
  recorderId: 'recorder',
  medium: 'category',
  lengthM: 40,
  mbps: 4,
  watts: 7,
  isPinned: false,
});
const address = (n: number): string => `02:00:00:00:00:0${n}`;
const topology: Topology = {
  devices: [device('here'), device('elsewhere')],
  links: [],
  cameras: [camera(1), camera(2), camera(3, 'elsewhere')],
};
const noted = (...numbers: number[]) => ({
  networkConfig: Object.fromEntries(
    numbers.map((n) => [`c${n}`, { id: `c${n}`, hardwareAddress: address(n) }]),
  ),
});
const port = (number: number, over: Partial<PortReport> = {}): PortReport => ({
  number,
  isUp: true,
  mbps: 1000,
  poe: { isOn: true, poeClass: 3, watts: 6.8 },
  errors: 0,
  seen: [],
  ...over,
});
const report = (...ports: PortReport[]): SwitchReport => ({ name: 's', serial: '1', poeWatts: 60, ports });
const differs = (one: PortReport, site = noted(1, 2, 3)): string =>
  compareSwitch(site, topology, 'here', report(one, port(2, { seen: [address(2)] })))!.ports[0]!.differs.join(
    '; ',
  );

describe('a switch that is as it was planned', () => {
  it('has nothing that differs', () => {
    const { ports, differs: whole } = compareSwitch(
      noted(1, 2, 3),
      topology,
      'here',
      report(port(1, { seen: [address(1)] }), port(2, { seen: [address(2)] })),
    )!;
    expect([ports.map(({ camera: at }) => at?.number), ports.flatMap((one) => one.differs), whole]).toEqual([
      [1, 2],
      [],
      [],
    ]);
  });
});

describe('a port', () => {
  it.each([
    [
      'more watts than planned',
      port(1, { seen: [address(1)], poe: { isOn: true, poeClass: 4, watts: 12.4 } }),
      /gives 12\.4 W, 7\.?0? W were planned/,
    ],
    ['a camera that is planned elsewhere', port(1, { seen: [address(3)] }), /camera 3 is planned elsewhere/],
    ['a link that was agreed on badly', port(1, { seen: [address(1)], mbps: 10 }), /links at 10 Mb\/s/],
    ['damaged frames', port(1, { seen: [address(1)], errors: 812 }), /812 frames came in damaged/],
    [
      'something that nobody noted',
      port(1, { seen: ['0a:00:00:00:00:01'] }),
      /0a:00:00:00:00:01, which is no camera/,
    ],
    ['something that keeps silent', port(1), /has not said who it is/],
    ['another switch behind it', port(1, { seen: [address(1), address(3)] }), /1, 3 are behind it together/],
  ])('with %s says so', (_, one, words) => expect(differs(one)).toMatch(words));
  it.each([
    ['some watts more', port(1, { seen: [address(1)], poe: { isOn: true, poeClass: 3, watts: 7.6 } })],
    ['nothing on it', port(1, { isUp: false, mbps: 0, poe: { isOn: true, poeClass: 0, watts: 0 } })],
    ['no power to give and a camera on its own', port(1, { seen: [address(1)], poe: null })],
  ])('with %s is as it should be', (_, one) => expect(differs(one)).toBe(''));
});

describe('the switch as a whole', () => {
  it('says which planned cameras are behind no port, and which nobody can tell', () => {
    const { differs: whole } = compareSwitch(noted(1), topology, 'here', report(port(1), port(2)))!;
    expect(whole).toEqual([
      'Camera 1 is planned here and is behind no port.',
      'Camera 2 is planned here; its hardware address is not noted, so its port is not known.',
    ]);
  });
  it('says where it is smaller than planned', () => {
    const { differs: whole } = compareSwitch(noted(), { ...topology, cameras: [] }, 'here', {
      ...report(port(1, { poe: null })),
      poeWatts: 30,
    })!;
    expect(whole).toEqual([
      'It has 1 port; 2 are noted or planned.',
      'It gives 30.0 W over all ports; 60.0 W are noted or planned.',
    ]);
  });
  it('that is not in the network is compared with nothing', () =>
    expect(compareSwitch(noted(), topology, 'gone', report())).toBeNull());
});
