import type { Occupant } from '#core/model/slotRules';
import { describe, expect, it } from 'vitest';
import { recorderState } from '#core/allocate/recorder';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { channelList, givenAddresses, leadsByHand, prerequisites, type PrerequisiteId } from '.';

const site = saltmarrowSite();
const hall = site.recorder['hall-recorder']!;
const ip = (number: number, slot: number): Occupant => ({
  slot,
  placed: true,
  need: {
    cameraId: `c${String(number).padStart(2, '0')}`,
    number,
    name: 'x',
    signal: { kind: 'ip', mbps: 4, megapixels: 2 },
    portWatts: 0,
    placeId: hall.placeId,
    patchedTo: undefined,
  },
});
const coax = (number: number, slot: number): Occupant => ({
  ...ip(number, slot),
  need: { ...ip(number, slot).need, signal: { kind: 'coax', format: 'cvbs' } },
});
const check = (id: PrerequisiteId, occupants: Occupant[], over: Partial<Site> = {}, recorder = hall) => {
  const at = { ...site, ...over };
  return prerequisites(at, recorderState(recorder, occupants)).find((one) => one.id === id)!;
};
const networkConfig = (address: string, passwordHeldBy?: string) => ({
  networkConfig: { c01: { id: 'c01', address, ...(passwordHeldBy ? { passwordHeldBy } : {}) } },
});

describe('before a recorder is brought to its plan', () => {
  it('come the network, the addresses, passwords, formats, settings and the time, in that order', () =>
    expect(prerequisites(site, recorderState(hall, [])).map(({ id }) => id)).toEqual([
      'network',
      'addresses',
      'passwords',
      'formats',
      'settings',
      'time',
    ]));
  it('every camera is in the recorder’s network', () => {
    expect(check('network', [ip(1, 17)], networkConfig('10.20.0.101')).state).toBe('met');
    expect(check('network', [ip(1, 17)], networkConfig('10.20.1.101')).missing).toMatchObject([
      {
        cameraId: 'c01',
        why: expect.stringMatching(/10\.20\.1\.101 is not in the network of Hall recorder, 10\.20\.0\.5\/24/),
      },
    ]);
    expect(check('network', [ip(3, 17)]).missing).toMatchObject([{ why: 'Camera 3 has no address.' }]);
    const { network: _, ...bare } = hall;
    expect(check('network', [ip(1, 17)], {}, bare).missing).toMatchObject([{ cameraId: null }]);
  });
  it('no address is given twice, neither to two cameras nor to a camera and a recorder', () => {
    expect(check('addresses', [ip(1, 17)], networkConfig('10.20.0.5')).missing).toMatchObject([
      { why: '10.20.0.5 is given twice: Hall recorder, camera 1.' },
    ]);
    expect(
      check('addresses', [ip(1, 17), ip(2, 18)], {
        networkConfig: { c01: { id: 'c01', address: '10.20.0.9' }, c02: { id: 'c02', address: '10.20.0.9' } },
      }).missing,
    ).toHaveLength(1);
    expect(check('addresses', [ip(1, 17)]).state).toBe('met');
  });
  it('somebody holds the first password of each', () => {
    expect(check('passwords', [ip(1, 17)], networkConfig('10.20.0.101', 'R. Tolland')).state).toBe('met');
    expect(check('passwords', [ip(1, 17)], networkConfig('10.20.0.101')).state).toBe('open');
  });
  it('every input takes what its camera sends, in its lines', () => {
    expect(check('formats', [coax(1, 1)]).state).toBe('met');
    expect(
      check('formats', [coax(1, 1)], {}, { ...hall, forced: [{ input: 1, format: 'hd1080' }] }).missing[0]!
        .why,
    ).toMatch(/^Input 1 is set to/);
    expect(check('formats', [coax(1, 1)], {}, { ...hall, lineStandard: '525/60' }).missing[0]!.why).toMatch(
      /Camera 1 is set to 625\/50, the inputs to 525\/60/,
    );
    expect(check('formats', [coax(1, 1)], {}, { ...hall, accepts: ['hd1080'] }).missing[0]!.why).toMatch(
      /does not take/,
    );
  });
  it('settings are saved where a restart wipes them, and the clock has a source', () => {
    expect(check('settings', [ip(1, 16)]).state).toBe('do');
    expect(check('settings', [ip(1, 17)]).state).toBe('met');
    expect(check('time', [ip(1, 17)]).state).toBe('met');
    expect(
      check('time', [ip(1, 17)], {}, { ...hall, network: { address: '10.20.0.5', prefixBits: 24 } }).state,
    ).toBe('open');
  });
});

describe('the channel list', () => {
  it('has every slot with what belongs on it, and no password', () => {
    const rows = channelList(
      { ...site, ...networkConfig('10.20.0.101', 'R. Tolland') },
      recorderState(hall, [ip(1, 16), coax(2, 2)]),
    );
    expect(rows).toHaveLength(24);
    expect(rows[15]).toEqual({
      recorder: 'Hall recorder',
      slot: 16,
      label: 'input 16, set to IP',
      name: '1 x',
      signal: 'IP, 2 MP, 4 Mb/s',
      address: '10.20.0.101',
      passwordHeldBy: 'R. Tolland',
    });
    expect([rows[1]!.signal, rows[2]!.signal, rows[23]!.signal]).toEqual([
      expect.stringMatching(/omposite/),
      'free',
      'free for IP',
    ]);
  });
});

describe('what is done before', () => {
  it('a camera is neither gateway, time source nor switch; a recorder may keep its own time', () => {
    const network = { address: '10.20.0.5', prefixBits: 24, gateway: '10.20.0.1', timeSource: '10.20.0.5' };
    const keeper = { ...hall, network };
    const over = (address: string): Partial<Site> => ({
      ...networkConfig(address),
      recorder: { [hall.id]: keeper },
      equipment: {
        ...site.equipment,
        'office-switch': { ...site.equipment['office-switch']!, address: '10.20.0.2' },
      },
    });
    const why = (address: string) =>
      check('addresses', [ip(1, 17)], over(address), keeper).missing.map((one) => one.why);
    expect(why('10.20.0.1')).toEqual(['10.20.0.1 is given twice: camera 1, the gateway.']);
    expect(why('10.20.0.2')).toEqual(['10.20.0.2 is given twice: Office switch, camera 1.']);
    expect(why('10.20.0.101')).toEqual([]);
  });
  it('addresses are given to those without, past what is taken', () => {
    const at = { ...site, ...networkConfig('10.20.0.103') };
    expect(givenAddresses(at, recorderState(hall, [ip(1, 17), ip(2, 18), ip(3, 19)]))).toMatchObject([
      { id: 'c02', set: { address: '10.20.0.102' } },
      { id: 'c03', set: { address: '10.20.0.100' } },
    ]);
    const { network: _, ...bare } = hall;
    expect(givenAddresses(at, recorderState(bare, [ip(2, 18)]))).toEqual([]);
  });
  it('leads that are not where the plan has them are moved by hand', () => {
    const patched = (one: Occupant, input: number): Occupant => ({
      ...one,
      need: { ...one.need, patchedTo: { recorderId: hall.id, input } },
    });
    expect(
      leadsByHand(
        recorderState(hall, [
          patched(coax(1, 1), 1),
          patched(coax(2, 5), 2),
          coax(3, 6),
          patched(ip(4, 17), 4),
        ]),
      ),
    ).toEqual([
      { number: 2, from: 2, to: 5 },
      { number: 3, from: null, to: 6 },
    ]);
  });
});
