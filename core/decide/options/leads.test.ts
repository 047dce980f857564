import { describe, expect, it } from 'vitest';
import { withChanges, type Change, type Equipment, type Gear, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { leadsAt } from './leads';
import { leadRules, portsThere } from './portsThere';

const demo = saltmarrowSite();
const noted = (id: string, gear: Gear, fields: Partial<Equipment> = {}): Change => ({
  kind: 'equipment',
  id,
  set: { id, name: id, placeId: 'marshalling', gear, ...fields },
});
const switchOf = (ports: number, poePorts: number): Extract<Gear, { kind: 'switch' }> => ({
  kind: 'switch',
  ports,
  poePorts,
  poeWatts: 30 * poePorts,
  uplinkMbps: 1000,
});
const officeWith = (...changes: Change[]): Site => withChanges(demo, changes);
const leads = (site: Site): Record<string, number> =>
  Object.fromEntries(leadsAt(site, 'marshalling').switches.map((one) => [one.id, one.leads]));

describe('leads at the office', () => {
  // Its recorder, the injector and the fibre to the hall, of which one is in the port that leads on.
  it('are what hangs on the switch that joins it, less the one that leads on', () => {
    expect(leads(demo)).toEqual({ 'office-switch': 2 });
  });
  it('count one more for each thing that is noted, and none for what goes or is no part of the network', () => {
    expect(leads(officeWith(noted('r', { kind: 'router' })))).toEqual({ 'office-switch': 3 });
    expect(leads(officeWith(noted('r', { kind: 'router' }, { goes: true })))).toEqual({ 'office-switch': 2 });
    expect(leads(officeWith(noted('k', { kind: 'keyboard', steersOver: 'network' })))).toEqual({
      'office-switch': 2,
    });
  });
  it('leave a second switch the one lead to the first, which is its way on', () => {
    expect(leads(officeWith(noted('a-second', switchOf(8, 8))))).toEqual({
      'office-switch': 3,
      'a-second': 0,
    });
  });
  it('end where a link is noted to end', () => {
    const [fibre] = Object.values(demo.link).filter(({ fromPlaceId, toPlaceId }) =>
      [fromPlaceId, toPlaceId].includes('marshalling'),
    );
    const end = fibre!.fromPlaceId === 'marshalling' ? 'fromEnd' : 'toEnd';
    const site = officeWith(noted('a-second', switchOf(8, 8)), {
      kind: 'link',
      id: fibre!.id,
      set: { ...fibre!, [end]: { deviceId: 'a-second' } },
    });
    expect(leads(site)).toEqual({ 'office-switch': 2, 'a-second': 1 });
  });
  it('take the ports of a switch, those without power first', () => {
    const office = demo.equipment['office-switch']!;
    const left = (gear: Gear): [number, number] => {
      const { ports, levels } = portsThere(
        officeWith({ kind: 'equipment', id: office.id, set: { ...office, gear } }),
        'poe-switch',
        'marshalling',
      );
      return [ports, levels.reduce((sum, one) => sum + (one.watts > 0 ? one.ports : 0), 0)];
    };
    expect(left(switchOf(8, 0))).toEqual([6, 0]);
    expect(left(switchOf(8, 6))).toEqual([6, 6]);
    expect(left(switchOf(8, 7))).toEqual([6, 6]);
    expect(left(switchOf(8, 8))).toEqual([6, 6]);
    expect(left({ ...switchOf(8, 8), taken: { ports: 3, watts: 0 } })).toEqual([3, 3]);
    expect(left(switchOf(2, 2))).toEqual([0, 0]);
  });
  it('have a rule where they share ports with cameras, and none where a switch is full or units have no leads', () => {
    expect(leadRules(demo, 'coax-unit', 'marshalling')).toEqual([]);
    expect(leadRules(demo, 'poe-switch', 'marshalling')).toEqual([
      { asked: 'all', applies: 'when-asked', extra: -6 },
    ]);
    // The recorder and the fibre of the hall: a switch that is bought leads on by one of them.
    expect(leadRules(demo, 'poe-switch', 'ticket-hall')).toEqual([
      { asked: 'all', applies: 'when-bought', extra: 0 },
    ]);
    const full = officeWith({
      kind: 'equipment',
      id: 'office-switch',
      set: { ...demo.equipment['office-switch']!, gear: switchOf(2, 2) },
    });
    expect(leadRules(full, 'poe-switch', 'marshalling')).toEqual([]);
  });
});
