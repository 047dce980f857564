import { describe, expect, it } from 'vitest';
import type { Link, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { topologyFindings } from './findingsOf';
import { deviceLoads, linkLoads } from './loads';
import type { CameraEnd, Device, Topology, TopologyFinding, TopologyLink } from './types';
import { waysOf } from './ways';

const demo = saltmarrowSite();

const device = (id: string, fields: Partial<Device> = {}): Device => ({
  id,
  kind: 'switch',
  name: `The ${id}`,
  placeId: 'ticket-hall',
  standing: 'there',
  ports: 8,
  poeWatts: 120,
  portWatts: 30,
  taken: { ports: 0, watts: 0 },
  uplinkMbps: 1000,
  ...fields,
});
const recorder = device('hall-recorder', {
  kind: 'recorder',
  name: 'Hall recorder',
  ports: null,
  poeWatts: 0,
  portWatts: 0,
});
const link = (toId: string, fields: Partial<TopologyLink> = {}): TopologyLink => ({
  id: `to-${toId}`,
  name: `Hall to ${toId}`,
  fromId: recorder.id,
  toId,
  medium: 'category',
  lengthM: 20,
  carriesMbps: 1000,
  standing: 'there',
  ...fields,
});
const camera = (number: number, deviceId: string | null, fields: Partial<CameraEnd> = {}): CameraEnd => ({
  cameraId: `n${number}`,
  runId: null,
  number,
  name: `View ${number}`,
  placeId: 'ticket-hall',
  deviceId,
  recorderId: recorder.id,
  medium: 'category',
  lengthM: 20,
  mbps: 6,
  watts: 15,
  isNewCable: false,
  isPinned: true,
  ...fields,
});

function findingsOf(topology: Topology, site: Site = demo): TopologyFinding[] {
  const ways = waysOf(topology);
  const loads = { devices: deviceLoads(site, topology, ways), links: linkLoads(topology, ways) };
  return topologyFindings(site, topology, ways, loads);
}
/** Cameras on a switch behind one link, with what is said of it. */
function around(
  gear: Device,
  cameras: readonly CameraEnd[],
  way: TopologyLink = link(gear.id),
): TopologyFinding[] {
  return findingsOf({ devices: [recorder, gear], links: [way], cameras: [...cameras] });
}
const of = (findings: readonly TopologyFinding[], kind: TopologyFinding['kind']) =>
  findings.filter((one) => one.kind === kind).map(({ message, cameraNumbers }) => [message, cameraNumbers]);
const some = (count: number, fields: Partial<CameraEnd> = {}): CameraEnd[] =>
  Array.from({ length: count }, (_, k) => camera(k + 1, 'shelf', fields));

/** What is said of a link of 300 m to the workshop. */
const ofLink = (fields: Partial<Link>): TopologyFinding[] => {
  const noted: Link = {
    id: 'to-shelf',
    name: 'Hall to workshop',
    fromPlaceId: 'ticket-hall',
    toPlaceId: 'workshop',
    medium: 'category',
    lengthM: 300,
    carriesMbps: 1000,
    state: 'planned',
    ...fields,
  };
  const { name, medium, lengthM, state: standing } = noted;
  const way = link('shelf', { name, medium, lengthM, standing });
  const topology = { devices: [recorder, device('shelf')], links: [way], cameras: some(2) };
  return findingsOf(topology, { ...demo, link: { [noted.id]: noted } });
};

describe('what is wrong with a network', () => {
  it('is nothing where ports, watts and links have room', () =>
    expect(around(device('shelf'), some(4))).toEqual([]));

  it('is more ports than a switch has', () =>
    expect(of(around(device('shelf', { ports: 3 }), some(4)), 'past-limit')).toEqual([
      ['The shelf has 3 ports; 4 are needed.', [1, 2, 3, 4]],
    ]));

  it('is more watts than it gives in all, or than one of its ports does', () => {
    expect(of(around(device('shelf', { poeWatts: 40 }), some(4)), 'past-limit')).toEqual([
      ['The shelf gives 40.0 W; 60.0 W are asked of it.', [1, 2, 3, 4]],
    ]);
    const cameras = [camera(1, 'shelf', { watts: 60 }), camera(2, 'shelf')];
    expect(of(around(device('shelf'), cameras), 'past-limit')).toEqual([
      ['A port of The shelf gives 30.0 W; camera 1 asks 60.0 W of it.', [1]],
    ]);
  });

  it('is a switch that gives no power to a camera that asks for it', () => {
    const plain = device('shelf', { poeWatts: 0, portWatts: 0 });
    const cameras = [camera(1, 'shelf'), camera(2, 'shelf', { watts: 0 })];
    expect(of(around(plain, cameras), 'no-power')).toEqual([
      ['The shelf gives no power; camera 1 asks 15.0 W of its port.', [1]],
    ]);
  });

  it('is a link past four fifths of what it carries, and says who goes over it', () => {
    const slow = (carriesMbps: number) =>
      of(around(device('shelf'), some(4), link('shelf', { carriesMbps })), 'past-limit');
    // 24 of 30 Mb/s are four fifths.
    expect(slow(30)).toEqual([]);
    expect(slow(29)).toEqual([
      ['Hall to shelf carries 23 Mb/s with room to spare; 4 cameras send 24 Mb/s over it.', [1, 2, 3, 4]],
    ]);
  });

  it('is more coming to a recorder than it takes in', () => {
    const site = {
      ...demo,
      recorder: {
        ...demo.recorder,
        [recorder.id]: {
          ...demo.recorder[recorder.id]!,
          limits: { ...demo.recorder[recorder.id]!.limits, incomingMbps: 20 },
        },
      },
    };
    const findings = findingsOf(
      { devices: [recorder, device('shelf')], links: [link('shelf')], cameras: some(4) },
      site,
    );
    expect(of(findings, 'past-limit')[0]![0]).toBe('Hall recorder gives 20 Mb/s; 24 Mb/s come to it.');
  });

  it('is gear to come where there is no mains, and never what is there already', () => {
    const place = { ...demo.place, 'ticket-hall': { ...demo.place['ticket-hall']!, mains: false } };
    const at = (standing: Device['standing']) =>
      findingsOf(
        { devices: [recorder, device('shelf', { standing })], links: [link('shelf')], cameras: some(2) },
        { ...demo, place },
      );
    expect(of(at('planned'), 'no-power')).toEqual([
      ['There is no mains at Ticket hall for The shelf.', [1, 2]],
    ]);
    expect(of(at('there'), 'no-power')).toEqual([]);
  });

  it('is a lead that is longer than a channel, in the heat of its place', () => {
    const far = (lengthM: number, placeId = 'ticket-hall') =>
      of(around(device('shelf'), [camera(1, 'shelf', { lengthM, placeId })]), 'too-long');
    expect(far(88)).toEqual([]);
    expect(far(130)[0]![0]).toMatch(
      /^The lead of camera 1 is 130 m: with its cords, at 21 °C, that counts as/,
    );
    const hot = Object.values(demo.place).find(({ temperatureC }) => temperatureC >= 45)!;
    expect(far(88, hot.id)).toHaveLength(1);
    expect(
      of(around(device('shelf'), [camera(1, 'shelf', { lengthM: 130, medium: 'radio' })]), 'too-long'),
    ).toEqual([]);
  });

  it('is a link of category cable that is longer than a channel, planned or there, and none of fibre', () => {
    expect(of(ofLink({}), 'too-long')).toEqual([
      ['Hall to workshop is 300 m: with its cords, at 21 °C, that counts as 309 m of at most 102 m.', [1, 2]],
    ]);
    expect(ofLink({ state: 'there' })[0]!.remedy).toMatch(/^Read the frames that arrive damaged/);
    expect(ofLink({ lengthM: 88 })).toEqual([]);
  });

  it('is a fibre that its grade does not carry so far, or whose grade nobody has read', () => {
    const said = (fields: Partial<Link>) =>
      ofLink({ medium: 'fibre', ...fields }).map(({ message }) => message);
    expect(said({ fibreGrade: 'os2', lengthM: 5000 })).toEqual([]);
    expect(said({ fibreGrade: 'om2' })).toEqual([]);
    expect(said({ fibreGrade: 'om1' })).toEqual([
      'Hall to workshop is 300 m of OM1: 1000 Mb/s reach 275 m over that.',
    ]);
    expect(said({ fibreGrade: 'om2', carriesMbps: 10_000 })).toHaveLength(1);
    // Still to be laid it is what will be bought; there already it may be of any grade.
    expect(said({ state: 'planned' })).toEqual([]);
    expect(said({ state: 'there' })).toEqual([
      'Hall to workshop is 300 m of fibre whose grade nobody has noted: 1000 Mb/s reach 275 m over OM1.',
    ]);
    expect(said({ state: 'there', lengthM: 270 })).toEqual([]);
  });

  it('is light that is lost past what the converters of the catalogue bridge, with a cut mended where it is planned', () => {
    const said = (fields: Partial<Link>) =>
      ofLink({ medium: 'fibre', ...fields }).map(({ message }) => message);
    // 10 dB are bridged: 0.5 a kilometre, 3.6 at the ends, and 3 for mending, so 6.8 km; there already 12.8.
    expect(said({ lengthM: 6800 })).toEqual([]);
    expect(said({ lengthM: 6900 })).toEqual([
      'Hall to workshop loses up to 10.1 dB of light over 6900 m, with what mending a cut takes: the converters of the catalogue bridge 10.0 dB.',
    ]);
    expect(said({ lengthM: 12_700, state: 'there', fibreGrade: 'os2' })).toEqual([]);
    expect(said({ lengthM: 12_900, state: 'there', fibreGrade: 'os2' })).toHaveLength(1);
    // Of converters for multimode nothing is known there.
    expect(said({ lengthM: 1950, carriesMbps: 100, state: 'there', fibreGrade: 'om1' })).toEqual([]);
  });

  it('is category cable whose grade does not promise its rate', () => {
    const said = (fields: Partial<Link>) => ofLink({ lengthM: 60, ...fields }).map(({ message }) => message);
    expect(said({ carriesMbps: 2500, state: 'there' })).toEqual([]);
    expect(said({ carriesMbps: 5000, state: 'there' })).toEqual([
      'Hall to workshop is of category cable whose grade nobody has noted: 5000 Mb/s are not promised over Cat 5e.',
    ]);
    expect(said({ carriesMbps: 5000, state: 'there', categoryGrade: 'cat6' })).toEqual([]);
    expect(said({ carriesMbps: 5000 })).toEqual([]);
    expect(said({ carriesMbps: 10_000 })[0]).toMatch(
      /^Hall to workshop counts as \d+ m of Cat 6 with its cords: 10.000 Mb\/s reach 37 m over Cat 6 without/,
    );
    expect(said({ carriesMbps: 10_000, lengthM: 25 })).toEqual([]);
    expect(said({ carriesMbps: 10_000, categoryGrade: 'cat6a' })).toEqual([]);
    expect(said({ carriesMbps: 25_000, categoryGrade: 'cat6a' })).toHaveLength(1);
  });

  it('is a second way to the same place', () => {
    const both = [link('shelf'), link('shelf', { id: 'again', name: 'Second way' })];
    const findings = findingsOf({ devices: [recorder, device('shelf')], links: both, cameras: [] });
    expect(of(findings, 'loop')[0]![0]).toBe('Second way closes a loop: two ways lead to the same place.');
  });

  it('names cameras that hang on nothing, and those that no link brings to their recorder, together', () => {
    const office = device('office', { placeId: 'marshalling' });
    const findings = findingsOf({
      devices: [recorder, office],
      links: [],
      cameras: [camera(1, 'office'), camera(2, 'office'), camera(3, null)],
    });
    expect(of(findings, 'no-way')).toEqual([
      [
        `No link is noted from ${demo.place['marshalling']!.name} to Ticket hall, so cameras 1, 2 do not reach the recorder.`,
        [1, 2],
      ],
    ]);
    expect(of(findings, 'no-device')).toEqual([['Camera 3 finds no switch or unit to hang on.', [3]]]);
  });
});
