import { describe, expect, it } from 'vitest';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { keptRangeOf } from '#core/model/addresses';
import { addressReport } from '.';

const demo = saltmarrowSite();
const withNetwork = (over: Partial<Site> = {}): Site => {
  const network = { address: '10.20.0.5', prefixBits: 24, gateway: '10.20.0.1' };
  const [hall, marshalling] = [demo.recorder['hall-recorder']!, demo.recorder['marshalling-recorder']!];
  return {
    ...demo,
    recorder: {
      [hall.id]: { ...hall, network },
      [marshalling.id]: {
        ...marshalling,
        network: { ...network, address: '10.20.0.6', timeSource: '10.20.0.1' },
      },
    },
    networkConfig: { c18: { id: 'c18', address: '10.20.0.118' } },
    ...over,
  };
};

describe('the addresses of a site', () => {
  it('two recorders of one network are one range, with what is taken of it', () =>
    // Two recorders, the gateway that is the time source too, and a camera.
    expect(addressReport(withNetwork()).networks).toEqual([
      {
        cidr: '10.20.0.0/24',
        recorders: ['Hall recorder', 'Marshalling recorder'],
        gateway: '10.20.0.1',
        timeSource: '10.20.0.1',
        kept: [],
        taken: 4,
        hosts: 254,
      },
    ]));
  it('ranges that are kept are told, given to nobody, and named where a device is in one', () => {
    const kept = [{ from: '10.20.0.110', to: '10.20.0.120' }];
    const plain = withNetwork();
    const hall = plain.recorder['hall-recorder']!;
    const site: Site = {
      ...plain,
      recorder: { ...plain.recorder, [hall.id]: { ...hall, network: { ...hall.network!, kept } } },
    };
    const { networks, conflicts, statements } = addressReport(site);
    expect(networks[0]!.kept).toEqual(kept);
    expect(statements).toContain('10.20.0.110 to 10.20.0.120: kept; no device is set to one of these.');
    expect(conflicts).toEqual([
      'camera 18: 10.20.0.118 is one of those that are kept, 10.20.0.110 to 10.20.0.120.',
    ]);
    expect(keptRangeOf(site, '10.20.0.121')).toBeUndefined();
    // Noted at both recorders it is one range all the same.
    const { 'marshalling-recorder': other } = site.recorder;
    const twice = { ...site.recorder, [other!.id]: { ...other!, network: { ...other!.network!, kept } } };
    expect(addressReport({ ...site, recorder: twice }).networks[0]!.kept).toEqual(kept);
    const wide = { ...hall.network!, kept: [{ from: '10.20.0.30', to: '10.20.0.254' }] };
    expect(
      addressReport({ ...plain, recorder: { hall: { ...hall, network: wide } } }).statements.join(' '),
    ).toContain('10.20.0.0/24 is nearly full: 26 of 254 addresses are free.');
  });
  it('an encoder and what is plugged into it may answer at one address, and nobody else there', () => {
    const [one, other] = ['c01', 'c02'].map((id) => ({ id, address: '10.20.0.40' }));
    const encode = (id: string) => ({
      id,
      option: 'encode' as const,
      at: '2026-04-01T09:00:00Z',
      by: 'R. Tolland',
    });
    const alike = { networkConfig: { c01: one!, c02: other! } };
    const conflicts = (choice: Site['choice']) => addressReport(withNetwork({ ...alike, choice })).conflicts;
    expect(conflicts({ c01: encode('c01'), c02: encode('c02') })).toEqual([]);
    expect(conflicts({ c01: encode('c01') }).join()).toMatch(/claimed by camera 1 and camera 2/);
  });
  it.each([
    [
      'a camera on the gateway',
      { c18: { id: 'c18', address: '10.20.0.1' } },
      /10\.20\.0\.1 is claimed by camera 18/,
    ],
    [
      'two cameras with one address',
      { c18: { id: 'c18', address: '10.20.0.9' }, c20: { id: 'c20', address: '10.20.0.9' } },
      /camera 18 and camera 20/,
    ],
    ['one outside', { c18: { id: 'c18', address: '10.9.0.9' } }, /in no camera network/],
  ])('%s is named', (_, networkConfig, words) =>
    expect(addressReport(withNetwork({ networkConfig })).conflicts.join()).toMatch(words),
  );
  it('a router that is the gateway is no conflict', () => {
    const router = {
      id: 'router',
      name: 'Router',
      placeId: 'ticket-hall',
      gear: { kind: 'router' as const },
    };
    const equipment = { router: { ...router, address: '10.20.0.1' } };
    expect(addressReport(withNetwork({ equipment })).conflicts).toEqual([]);
  });
  it('says what to heed, and where nothing is noted what to do first', () => {
    expect(addressReport(withNetwork()).statements.join(' ')).toMatch(/No route from it to the internet/);
    const recorder = Object.fromEntries(
      Object.values(demo.recorder).map(({ network: _, ...rest }) => [rest.id, rest]),
    );
    expect(addressReport({ ...demo, recorder }).statements).toEqual([
      expect.stringMatching(/No network is noted yet/),
    ]);
  });
});
