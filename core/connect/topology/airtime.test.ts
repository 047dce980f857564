import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import { sharedRadios } from './airtime';
import { overTheMast } from './testRelay';
import { loadDerivation } from '.';

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
      'Mast radio would be on the air 100 % of its time, and may be 80 %: what it passes on it hears and sends.',
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
