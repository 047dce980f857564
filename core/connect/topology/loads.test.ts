import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import { withChanges, type Gear, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';

const demo = saltmarrowSite();
/** The switch of the office as it would be noted, with camera 25 on a port of it. */
function withSwitch(fields: Partial<Extract<Gear, { kind: 'switch' }>>): Site {
  const office = demo.equipment['office-switch']!;
  const gear = { ...(office.gear as Extract<Gear, { kind: 'switch' }>), ...fields };
  return withChanges(demo, [
    { kind: 'equipment', id: office.id, set: { ...office, gear } },
    {
      kind: 'networkCamera',
      id: 'c25',
      set: { ...demo.networkCamera['c25']!, deviceId: office.id },
    },
  ]);
}
const loadsOf = (site: Site, id = 'office-switch') =>
  networkAt(site, evaluateSite(site), { kind: 'today' })
    .devices.find(({ deviceId }) => deviceId === id)!
    .loads.map(({ label, used, most }) => [label, used, most]);

describe('the ports of a switch', () => {
  // Recorder, injector and the fibre are three leads, of which one is in the port that leads on.
  it('are taken by leads to other gear as well, but for the one that leads on', () => {
    expect(loadsOf(demo)).toEqual([['ports', 2, 8]]);
    expect(loadsOf(demo, 'office-injector')[0]).toEqual(['ports', 1, 1]);
  });
  it('that give power are counted by themselves where others give none', () => {
    const half = { poePorts: 1, poeWatts: 60 };
    expect(loadsOf(withSwitch(half))).toEqual([
      ['ports', 3, 8],
      ['ports with power', 1, 1],
      ['watts', 6, 60],
    ]);
    expect(loadsOf(withSwitch({ ...half, taken: { ports: 1, watts: 0 } }))[1]).toEqual([
      'ports with power',
      2,
      1,
    ]);
    expect(loadsOf(withSwitch({ ports: 8, poePorts: 8, poeWatts: 60 })).map(([label]) => label)).toEqual([
      'ports',
      'watts',
    ]);
  });
});
