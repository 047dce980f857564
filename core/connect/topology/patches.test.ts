import { expect, it } from 'vitest';
import { leadsOf, endsOf } from './leads';
import { attach } from './attach';
import { coresOf, leadKey, leadNeeds, patchesOf } from './patches';
import { neighboursOf } from './ways';
import type { Device } from './types';

const device = (id: string, kind: Device['kind'], ports: number | null, isOfPlan: boolean): Device => ({
  id,
  kind,
  name: id,
  placeId: 'hall',
  standing: isOfPlan ? 'planned' : 'there',
  ...(isOfPlan ? { isOfPlan } : {}),
  ports,
  poeWatts: kind === 'switch' ? 120 : 0,
  portWatts: 30,
  taken: { ports: 0, watts: 0 },
  uplinkMbps: 1000,
});
const gear = [
  ...Array.from({ length: 12 }, (_, index) => device(`unit-${index + 1}`, 'coax-unit', 16, true)),
  device('recorder-1', 'recorder', null, false),
  device('recorder-2', 'recorder', null, false),
];
const switches = (count: number, isOfPlan: boolean): Device[] =>
  Array.from({ length: count }, (_, index) => device(`switch-${index + 1}`, 'switch', 8, isOfPlan));
const patched = (devices: readonly Device[]) => {
  const cores = coresOf(devices);
  const needs = leadNeeds(devices, cores);
  const asking = new Set(needs.map(({ key }) => key));
  const fixed = patchesOf(
    devices.filter((one) => !asking.has(leadKey(one))),
    cores,
  );
  const links = patchesOf(devices, cores, attach(needs, leadsOf(devices, endsOf(fixed))));
  return { links, leads: leadsOf(devices, endsOf(links)) };
};

it('puts no more leads on switches that were bought together than they have ports, and leaves nothing unreached', () => {
  // Fourteen pieces of gear and two more switches: 15 leads, beside the one that leads on, on the 24 ports of three.
  const devices = [...switches(3, true), ...gear];
  const { links, leads } = patched(devices);
  expect(links).toHaveLength(devices.length - 1);
  expect([...leads.values()].reduce((sum, count) => sum + count, 0)).toBe(15);
  expect(Math.max(...leads.values())).toBe(8);
  const near = neighboursOf(links);
  const reached = new Set(['switch-1']);
  for (const id of reached) for (const { to } of near.get(id) ?? []) reached.add(to);
  expect(reached.size).toBe(devices.length);
});
it('fills the ports of one to the last, its own way on included', () => {
  const devices = [...switches(1, true), ...gear.slice(0, 9)];
  expect(patched(devices).leads.get('switch-1')).toBe(8);
});
it('keeps everything on the one that joins a place while it has ports, and on gear that is there whatever it has', () => {
  const few = [...switches(2, true), ...gear.slice(0, 3)];
  expect(new Set(patched(few).links.map(({ fromId }) => fromId))).toEqual(new Set(['switch-1']));
  const there = patched([...switches(2, false), ...gear]);
  expect(there.leads.get('switch-1')).toBeGreaterThan(8);
});
