import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import { addEquipment, addNetworkCamera, withChanges, type Site } from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import { sharedRadios } from './airtime';
import { overTheMast } from './testRelay';
import { loadDerivation, moveChanges, movesFor } from '.';

const demo = saltmarrowOnRuns();
const networkOf = (site: Site) => networkAt(site, evaluateSite(site), { kind: 'after' });
const airtimeOf = (site: Site, id: string) =>
  networkOf(site)
    .devices.find(({ deviceId }) => deviceId === id)!
    .loads.find(({ label }) => label === 'airtime');

describe('the time of a radio', () => {
  const five = overTheMast(demo, 5);
  const slower = overTheMast(demo, 2, 24);
  it('counts what it passes on twice, and fails where each of its links would hold alone', () => {
    // Five times 6 of 60 Mb/s, heard and sent again: 30 of 60 are half the time, twice.
    expect(airtimeOf(five.site, five.mastId)).toMatchObject({
      used: 100,
      most: 80,
      unit: '%',
      status: 'fails',
    });
    const { links, findings } = networkOf(five.site);
    for (const id of ['Hall to mast', 'Mast to gate'])
      expect(links.find(({ linkId }) => linkId === id)!.load.status).toBe('holds');
    const found = findings.find(({ message }) => message.startsWith('Mast radio'))!;
    expect(found.message).toBe(
      'Mast radio would be on the air 100 % of its time, and may be 80 %: it serves one at a time, and what it passes on it hears and sends.',
    );
    expect(found.cameraNumbers).toEqual([25, 26, 27, 28, 29]);
  });
  it('goes by the rate of each link, and is close past what is planned with', () => {
    const two = overTheMast(demo, 2);
    expect(airtimeOf(two.site, two.mastId)).toMatchObject({ used: 40, status: 'holds' });
    // 12 of 60 are 20 %, 12 of 24 are 50.
    expect(airtimeOf(slower.site, slower.mastId)).toMatchObject({ used: 70, status: 'close' });
  });
  it('is none of a radio that serves one link, which its load says all of', () => {
    expect(airtimeOf(five.site, five.hallId)).toBeUndefined();
    expect(airtimeOf(five.site, five.gateId)).toBeUndefined();
  });
  it('is none of a switch from which several ways by radio lead, each with a radio that nobody noted', () => {
    const { topology } = networkOf(five.site);
    const devices = topology.devices.map((one) =>
      one.id === five.mastId ? { ...one, kind: 'switch' as const } : one,
    );
    expect([...sharedRadios(topology).keys()]).toEqual([five.mastId]);
    expect(sharedRadios({ ...topology, devices }).size).toBe(0);
  });
  it('says why', () => {
    const of = { of: 'device', id: slower.mastId, label: 'airtime' } as const;
    const [step] = loadDerivation(networkOf(slower.site), of)!.steps;
    expect(step!.inputs.map(({ name, value }) => [name, value])).toEqual([
      ['Hall to mast', 20],
      ['Mast to gate', 50],
    ]);
    expect(step!.result.value).toBe(70);
  });
});

describe('an access point with cameras that come to it by radio', () => {
  const radio = addEquipment(demo, 'link-end', 'Kiosk radio', 'ticket-hall');
  /** Cameras of 12 Mb/s at the kiosks, each with the rate that was read of it, on the radio of the hall or on what it is patched to. */
  function onAir(rates: readonly (number | undefined)[], deviceId = radio.id): Site {
    const gear = { kind: 'link-end', medium: 'radio', carriesMbps: 120 } as const;
    if (radio.kind !== 'equipment' || !('set' in radio)) throw new Error('no radio was added');
    let site = withChanges(demo, [{ ...radio, set: { ...radio.set, gear } }]);
    for (const [k, rateMbps] of rates.entries()) {
      const changes = addNetworkCamera(site, {
        name: `Kiosk ${k + 1}`,
        placeName: 'Kiosks',
        target: 'fixed-2mp',
        state: 'there',
        deviceId,
        lead: { medium: 'radio', lengthM: 80, ...(rateMbps === undefined ? {} : { rateMbps }) },
        mbps: 12,
      });
      const { id } = changes.at(-1)!;
      const set = { id, recorderId: 'hall-recorder', slot: 17 + k };
      site = withChanges(site, [...changes, { kind: 'placement', id, set }]);
    }
    return site;
  }
  it.each([
    // 12 of 120 are a tenth each; 12 of 30 are 40 %.
    ['holds with what was read of each', [120, 120, 120], 30, 'holds'],
    ['is close past what is planned with', [30, 48], 65, 'close'],
    ['fails where each would hold alone', [30, 30, 60], 100, 'fails'],
    ['is no more than close while nobody has read one of them', [120, undefined], 20, 'close'],
    ['says so of one alone', [24], 50, 'holds'],
  ] as const)('%s', (_, rates, used, status) =>
    expect(airtimeOf(onAir(rates), radio.id)).toMatchObject({ used: expect.closeTo(used, 9), status }),
  );
  it('tells what each takes, and of whom nobody has read it', () => {
    const of = { of: 'device', id: radio.id, label: 'airtime' } as const;
    const told = (rates: readonly (number | undefined)[]) => loadDerivation(networkOf(onAir(rates)), of)!;
    const {
      steps: [step],
    } = told([30, undefined]);
    expect(step!.inputs.map(({ name, value, from }) => [name, value, from])).toEqual([
      ['camera 25', 40, 'computed'],
      ['camera 26', 10, 'typical'],
    ]);
    expect(step!.message).toMatch(/whose rate nobody has read/);
    expect(told([120]).conclusion).toBe('It holds.');
    expect(told([120, undefined]).conclusion).toMatch(/^It would hold at that rate\. Read the rate/);
    expect(told([15, undefined]).conclusion).toBe('More than it has, even at that rate.');
  });
  it('is asked for where several come by radio to one switch', () => {
    const hall = addEquipment(demo, 'switch', 'Hall switch', 'ticket-hall');
    const withSwitch = (count: number) => {
      const site = onAir(
        Array.from({ length: count }, () => 60),
        hall.id,
      );
      return withChanges(site, [hall]);
    };
    const found = (site: Site) => networkOf(site).findings.filter(({ kind }) => kind === 'unnoted-air');
    expect(found(withSwitch(1))).toEqual([]);
    expect(found(withSwitch(2))[0]).toMatchObject({
      message: expect.stringMatching(/^Cameras 25, 26 come to Hall switch by radio/) as string,
      cameraNumbers: [25, 26],
    });
    expect(found(onAir([60, 60]))).toEqual([]);
  });
  it('is somewhere a camera by radio can be hung, and none by cable', () => {
    const { topology } = networkOf(onAir([60]));
    const camera = topology.cameras.find(({ runId }) => runId === null)!;
    const ids = (medium: 'radio' | 'category') =>
      movesFor(demo, topology, { ...camera, medium }).map(({ device }) => device.id);
    expect(ids('radio')).toContain(radio.id);
    expect(ids('category')).not.toContain(radio.id);
    const { [camera.cameraId]: fact } = onAir([60]).networkCamera;
    expect(fact!.lead.rateMbps).toBe(60);
    const elsewhere = movesFor(demo, topology, camera).find(({ device }) => device.id !== radio.id)!;
    const [moved] = moveChanges(onAir([60]), camera, elsewhere, null);
    expect(moved).toMatchObject({ set: { deviceId: elsewhere.device.id, lead: { lengthM: 80 } } });
    expect(moved).not.toHaveProperty('set.lead.rateMbps');
  });
});
