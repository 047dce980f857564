import { describe, expect, it } from 'vitest';
import type { CameraEnd, Device, Topology } from '#core/connect/topology';
import { compareSwitch, reportFromTable, type PortReport, type SwitchReport } from '.';

const device = (id: string): Device => ({
  id,
  kind: 'switch',
  name: id,
  placeId: 'hall',
  standing: 'there',
  ports: 2,
  poeWatts: 60,
  portWatts: 30,
  taken: { ports: 0, watts: 0 },
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
  isNewCable: false,
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

describe('a list of ports as a file', () => {
  const table = (headings: string[], ...rows: string[][]) => ({
    headings,
    rows: rows.map((cells, index) => ({ line: index + 2, cells })),
  });
  it('is a report like that of a switch that answers', () => {
    const read = reportFromTable(
      'Hall list',
      table(
        ['Interface', 'Speed', 'PoE class', 'Power (W)', 'CRC errors', 'MAC', 'VLAN'],
        ['1/0/2', '1G', 'class 3', '6,4 W', '0', '02-00-5E-10-00-14', '20'],
        ['1/0/1', 'down', '', '', '', '', '20'],
      ),
    );
    expect(read).toEqual({
      kind: 'report',
      unread: ['VLAN'],
      report: {
        name: 'Hall list',
        serial: '',
        poeWatts: null,
        ports: [
          {
            number: 1,
            isUp: false,
            mbps: 0,
            poe: { isOn: false, poeClass: 0, watts: 0 },
            errors: 0,
            seen: [],
          },
          {
            number: 2,
            isUp: true,
            mbps: 1000,
            poe: { isOn: true, poeClass: 3, watts: 6.4 },
            errors: 0,
            seen: ['02:00:5e:10:00:14'],
          },
        ],
      },
    });
  });
  it('that does not tell the power is not held to have none', () => {
    const read = reportFromTable('x', table(['port', 'link'], ['1', 'up']));
    expect(read.kind === 'report' && read.report.ports[0]).toMatchObject({ mbps: 1000, poe: null });
  });
  it.each([
    ['without ports', table(['name', 'link'], ['a', 'up']), /No column tells the port.*“name”, “link”/],
    ['without links', table(['port', 'name'], ['1', 'a']), /No column tells the link of a port/],
    [
      'with a port twice',
      table(['port', 'link'], ['1', 'up'], ['port 1', 'up']),
      /Line 3: port 1 stands in line 2/,
    ],
    ['with a link that is none', table(['port', 'link'], ['1', 'sometimes']), /“sometimes” is no link/],
    ['with too many watts', table(['port', 'link', 'watts'], ['1', 'up', '400']), /“400” is no watts/],
    [
      'with an address that is none',
      table(['port', 'link', 'mac'], ['1', 'up', '12']),
      /“12” is no hardware/,
    ],
  ])('%s is refused whole, in words', (_, foreign, words) => {
    const read = reportFromTable('x', foreign);
    expect(read.kind === 'refused' && read.why.join(' ')).toMatch(words);
  });
});
