import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { genericProducts } from '#core/model/catalogue';
import { applyChanges, type Equipment, type Link, type OptionKind, type Site } from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import { failuresOf } from './failures';
import { loopsIn } from './loops';
import { waysOf } from './ways';
import type { CameraEnd, Device, Topology, TopologyLink } from './types';
import { loadDerivation, moveChanges, movesFor, networkOf, type Moment } from '.';

const demo = saltmarrowOnRuns();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };

/** The demo with options chosen, each camera on a slot of a recorder. */
function chosen(
  options: Record<string, OptionKind>,
  recorderId = 'hall-recorder',
  over: Partial<Site> = {},
): Site {
  const ids = Object.keys(options);
  return {
    ...demo,
    choice: Object.fromEntries(ids.map((id) => [id, { id, option: options[id]!, ...who }])),
    placement: Object.fromEntries(ids.map((id, index) => [id, { id, recorderId, slot: 17 + index }])),
    ...over,
  };
}
const network = (site: Site, moment: Moment = { kind: 'after' }) => {
  const { runs, total } = evaluateSite(site);
  return networkOf(site, runs, total, moment);
};
const endOf = ({ topology }: ReturnType<typeof network>, cameraId: string): CameraEnd =>
  topology.cameras.find((one) => one.cameraId === cameraId)!;
const darkenedBy = ({ failures }: ReturnType<typeof network>, name: RegExp): string[] =>
  failures.find((one) => name.test(one.name))!.cameraIds;
const toWorkshop: Link = {
  id: 'hall-workshop',
  name: 'Hall to workshop',
  fromPlaceId: 'ticket-hall',
  toPlaceId: 'workshop',
  medium: 'category',
  lengthM: 62,
  carriesMbps: 1000,
  state: 'there',
};

describe('the demo today', () => {
  const today = network(demo, { kind: 'today' });
  it('has every camera on the input that it is patched to, and nothing on the network', () => {
    expect(today.topology.cameras).toHaveLength(24);
    expect(
      today.topology.cameras.every(({ deviceId, recorderId, mbps }) => deviceId === recorderId && mbps === 0),
    ).toBe(true);
    expect(today.topology.devices.map(({ id }) => id).sort()).toEqual([
      'hall-recorder',
      'marshalling-recorder',
      'office-switch',
    ]);
    expect(today.findings).toEqual([]);
  });
  it('loses with a recorder the cameras on its inputs', () => {
    expect(darkenedBy(today, /^Hall recorder$/)).toHaveLength(13);
    expect(darkenedBy(today, /^Marshalling recorder$/)).toHaveLength(11);
  });
});

describe('when all is done', () => {
  it('cameras over coax hang on a unit at their head end, and its port, watts and Mb/s are counted', () => {
    const after = network(chosen({ c01: 'ip-coax-unit', c02: 'ip-coax-unit' }));
    const unit = after.topology.devices.find(({ kind }) => kind === 'coax-unit')!;
    expect([unit.standing, unit.placeId]).toEqual(['planned', 'ticket-hall']);
    expect(endOf(after, 'c01')).toMatchObject({
      deviceId: unit.id,
      medium: 'coax-data',
      recorderId: 'hall-recorder',
    });
    const [ports, watts] = after.devices.find(({ deviceId }) => deviceId === unit.id)!.loads;
    expect(ports).toMatchObject({ used: 2, most: unit.ports });
    expect(watts!.used).toBeCloseTo(endOf(after, 'c01').watts + endOf(after, 'c02').watts, 9);
    const [into] = after.devices.find(({ deviceId }) => deviceId === 'hall-recorder')!.loads;
    expect(into!.used).toBeCloseTo(endOf(after, 'c01').mbps + endOf(after, 'c02').mbps, 9);
    expect(darkenedBy(after, new RegExp(`^${unit.name}$`))).toEqual(['c01', 'c02']);
  });
  it('a camera at a closet that nothing links to its recorder is named; a link brings it there', () => {
    const site = chosen({ c18: 'new-category' });
    expect(network(site).findings).toEqual([
      expect.objectContaining({
        kind: 'no-way',
        cameraNumbers: [18],
        message: 'No link is noted from Workshop to Ticket hall, so camera 18 does not reach the recorder.',
      }),
    ]);
    const linked = network({ ...site, link: { 'hall-workshop': toWorkshop } });
    expect(linked.findings).toEqual([]);
    expect(darkenedBy(linked, /^Hall to workshop$/)).toEqual(['c18']);
    const load = linked.links.find(({ linkId }) => linkId === 'hall-workshop')!.load;
    expect([load.used, load.most]).toEqual([endOf(linked, 'c18').mbps, 800]);
  });
  it('a link that is only planned is there when all is done, and not today', () => {
    const site = {
      ...chosen({ c18: 'new-category' }),
      link: { x: { ...toWorkshop, id: 'x', state: 'planned' as const } },
    };
    expect(network(site).findings).toEqual([]);
    expect(network(site, { kind: 'today' }).topology.links.map(({ id }) => id)).not.toContain('x');
  });
  it('cameras that share a radio meet in a field switch, and go dark with either', () => {
    const site = chosen({ c23: 'wireless', c24: 'wireless' });
    const after = network(site);
    const field = after.topology.devices.find(({ kind }) => kind === 'field-switch')!;
    expect([endOf(after, 'c23').deviceId, endOf(after, 'c24').deviceId]).toEqual([field.id, field.id]);
    const radio = after.topology.links.find(({ medium }) => medium === 'radio')!;
    expect(radio.toId).toBe(field.id);
    expect(darkenedBy(after, /^Radio from/)).toEqual(['c23', 'c24']);
    expect(after.links.find(({ linkId }) => linkId === radio.id)!.load.used).toBeCloseTo(
      endOf(after, 'c23').mbps + endOf(after, 'c24').mbps,
      9,
    );
  });
  it('one camera alone over the radio needs no field switch', () => {
    const after = network(chosen({ c23: 'wireless' }));
    expect(after.topology.devices.some(({ kind }) => kind === 'field-switch')).toBe(false);
    expect(endOf(after, 'c23')).toMatchObject({ medium: 'radio', isPinned: false });
  });
  it('a retired camera is no part of it, and a morning between has some of both', () => {
    const retired = chosen({ c01: 'ip-coax-unit', c03: 'retire' });
    // Nobody has agreed yet: it hangs as it does today.
    expect(network(retired).topology.cameras.map(({ cameraId }) => cameraId)).toContain('c03');
    const site = {
      ...retired,
      camera: { ...retired.camera, c03: { ...retired.camera['c03']!, mayGo: true } },
    };
    expect(network(site).topology.cameras.map(({ cameraId }) => cameraId)).not.toContain('c03');
    const between = network(site, { kind: 'morning', moved: new Set() });
    expect(endOf(between, 'c01')).toMatchObject({ deviceId: 'hall-recorder', mbps: 0 });
    expect(endOf(between, 'c03')).toMatchObject({ deviceId: 'hall-recorder' });
  });
});

describe('a morning between', () => {
  /** Ten cameras on two units of eight, and two that share a radio: what fills up, and what a second camera changes. */
  const ids = ['c06', 'c07', 'c08', 'c09', 'c10', 'c12', 'c13', 'c14', 'c15', 'c16'];
  const large = genericProducts.find(({ id }) => id === 'coax-unit-16')!;
  const site = chosen(
    {
      ...Object.fromEntries(ids.map((id) => [id, 'ip-coax-unit' as const])),
      c23: 'wireless',
      c24: 'wireless',
    },
    'marshalling-recorder',
    { product: { ...demo.product, [large.id]: { ...large, each: 9000 } as Site['product'][string] } },
  );
  const { runs, total } = evaluateSite(site);
  const at = (moment: Moment) => networkOf(site, runs, total, moment);
  const end = at({ kind: 'after' });

  it('shows whoever is moved where it hangs in the end, whoever else is: nobody is plugged in twice', () => {
    expect(new Set(ids.map((id) => endOf(end, id).deviceId)).size).toBe(2);
    fc.assert(
      fc.property(fc.subarray([...ids, 'c23', 'c24']), (some) => {
        const then = at({ kind: 'morning', moved: new Set(some) });
        for (const id of some) expect(endOf(then, id).deviceId).toBe(endOf(end, id).deviceId);
      }),
      { numRuns: 60, seed: 3 },
    );
  });
  it('has the switch of a way as soon as the first camera comes over it, and not before', () => {
    const isThere = (moved: string[]) =>
      at({ kind: 'morning', moved: new Set(moved) }).topology.devices.some(
        ({ kind }) => kind === 'field-switch',
      );
    expect([isThere(['c06']), isThere(['c23'])]).toEqual([false, true]);
  });
});

describe('what a person said a camera hangs on', () => {
  const units = (count: number): Record<string, OptionKind> =>
    Object.fromEntries(
      Object.keys(demo.camera)
        .slice(0, count)
        .map((id) => [id, 'ip-coax-unit']),
    );
  it('holds, and what it overfills is said', () => {
    const site = chosen(units(5));
    const free = network(site);
    const unit = free.topology.devices.filter(({ kind }) => kind === 'coax-unit');
    expect(unit.length).toBeGreaterThan(0);
    const pinned = network({ ...site, attachment: { c01: { id: 'c01', deviceId: unit.at(-1)!.id } } });
    expect(endOf(pinned, 'c01')).toMatchObject({ deviceId: unit.at(-1)!.id, isPinned: true });
  });
  it('can only be gear of its kind and place that gives power, and nothing on a shared way or an input', () => {
    const noted = (id: string, placeId: string, poeWatts: number): Equipment => ({
      id,
      name: id,
      placeId,
      gear: { kind: 'switch', ports: 8, poePorts: poeWatts > 0 ? 8 : 0, poeWatts, uplinkMbps: 1000 },
    });
    const gear = [
      noted('a', 'ticket-hall', 120),
      noted('b', 'ticket-hall', 120),
      noted('plain', 'ticket-hall', 0),
      noted('far', 'workshop', 120),
    ];
    const equipment = { ...demo.equipment, ...Object.fromEntries(gear.map((one) => [one.id, one])) };
    const after = network(chosen({ c22: 'ip-category', c23: 'wireless' }, 'hall-recorder', { equipment }));
    const ids = (cameraId: string) =>
      movesFor(demo, after.topology, endOf(after, cameraId)).map(({ device }) => device.id);
    expect([ids('c22').sort(), ids('c23'), ids('c03')]).toEqual([['a', 'b'], [], []]);
  });
  it('of a camera that gets a new cable can stand in another closet: uplink, ports and cost follow', () => {
    const gear: Equipment = {
      id: 'hall-switch',
      name: 'Hall switch',
      placeId: 'ticket-hall',
      gear: { kind: 'switch', ports: 8, poePorts: 8, poeWatts: 120, uplinkMbps: 1000 },
    };
    const over = {
      equipment: { ...demo.equipment, [gear.id]: gear },
      link: { ...demo.link, [toWorkshop.id]: toWorkshop },
    };
    const site = chosen({ c19: 'new-category', c20: 'new-category' }, 'hall-recorder', over);
    const before = network(site);
    const end = endOf(before, 'c19');
    expect(end).toMatchObject({ lengthM: 70, isNewCable: true });
    const move = movesFor(site, before.topology, end).find(({ device }) => device.id === gear.id)!;
    expect(move.isNewWay).toBe(true);
    const applied = applyChanges(site, moveChanges(site, end, move, 82));
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    const moved = applied.value.site;
    const after = network(moved);
    expect(endOf(after, 'c19')).toMatchObject({ deviceId: 'hall-switch', lengthM: 82, isPinned: true });
    const trunk = ({ links }: ReturnType<typeof network>) =>
      links.find(({ linkId }) => linkId === toWorkshop.id)!.load.used;
    expect(trunk(before) - trunk(after)).toBe(end.mbps);
    const cost = (at: Site): number => evaluateSite(at).total.cost;
    expect(cost(moved)).not.toBe(cost(site));
  });
  it('and is not there any more is named, and the camera hung elsewhere', () => {
    const lost = network({ ...chosen(units(1)), attachment: { c01: { id: 'c01', deviceId: 'gone' } } });
    expect(lost.findings).toEqual([expect.objectContaining({ kind: 'pin-lost', cameraNumbers: [1] })]);
    expect(endOf(lost, 'c01').deviceId).not.toBeNull();
  });
});

/** A drawn network: a recorder, switches, links among them with or without loops, cameras anywhere. */
const drawn = fc
  .record({
    count: fc.integer({ min: 1, max: 7 }),
    links: fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { maxLength: 12 }),
    cameras: fc.array(fc.nat(7), { maxLength: 10 }),
  })
  .map(({ count, links, cameras }): Topology => {
    const device = (n: number): Device => ({
      id: `d${n}`,
      kind: n === 0 ? 'recorder' : 'switch',
      name: `d${n}`,
      placeId: 'p',
      standing: 'there',
      ports: null,
      poeWatts: 0,
      portWatts: 0,
      taken: { ports: 0, watts: 0 },
      uplinkMbps: 1000,
    });
    return {
      devices: Array.from({ length: count + 1 }, (_, n) => device(n)),
      links: links
        .filter(([a, b]) => a !== b && a <= count && b <= count)
        .map(([a, b], n): TopologyLink => ({
          id: `l${n}`,
          name: `l${n}`,
          fromId: `d${a}`,
          toId: `d${b}`,
          medium: 'category',
          lengthM: 1,
          carriesMbps: 1000,
          standing: 'there',
        })),
      cameras: cameras
        .filter((n) => n <= count)
        .map((n, index): CameraEnd => ({
          cameraId: `c${index}`,
          runId: `r${index}`,
          number: index + 1,
          name: '',
          placeId: 'p',
          deviceId: `d${n}`,
          recorderId: 'd0',
          medium: 'category',
          lengthM: 1,
          mbps: 1,
          watts: 0,
          isPinned: false,
          isNewCable: false,
        })),
    };
  });

/** Whether a device is reached from the recorder, by walking from link to link until nothing is new. */
function reached({ links }: Topology, gone: string): Set<string> {
  const seen = new Set(gone === 'd0' ? [] : ['d0']);
  for (let before = -1; before !== seen.size;) {
    before = seen.size;
    for (const { id, fromId, toId } of links) {
      if (id === gone || fromId === gone || toId === gone) continue;
      if (seen.has(fromId)) seen.add(toId);
      if (seen.has(toId)) seen.add(fromId);
    }
  }
  return seen;
}

describe('single failures', () => {
  it('darken exactly the cameras that are cut off, with loops and without', () => {
    fc.assert(
      fc.property(drawn, (topology) => {
        const at = reached(topology, '');
        const ways = waysOf(topology);
        expect([...ways.keys()]).toEqual(
          topology.cameras.filter(({ deviceId }) => at.has(deviceId!)).map(({ cameraId }) => cameraId),
        );
        for (const { of, cameraIds } of failuresOf(topology, ways)) {
          const left = reached(topology, of.id);
          const dark = topology.cameras.filter(
            ({ deviceId }) => at.has(deviceId!) && (deviceId === of.id || !left.has(deviceId!)),
          );
          expect([...cameraIds].sort()).toEqual(dark.map(({ cameraId }) => cameraId).sort());
        }
      }),
      { numRuns: 400 },
    );
  });
  it('can be gone around only where a link closes a loop', () => {
    fc.assert(
      fc.property(drawn, ({ devices, links }) => {
        // A forest has as many links as devices less its parts.
        const parts = new Set(devices.map(({ id }) => [...reachedFrom(id, links)].sort()[0]));
        expect(loopsIn(links)).toHaveLength(links.length - devices.length + parts.size);
      }),
    );
  });
});

function reachedFrom(id: string, links: readonly TopologyLink[]): Set<string> {
  const seen = new Set([id]);
  for (let before = -1; before !== seen.size;) {
    before = seen.size;
    for (const { fromId, toId } of links) {
      if (seen.has(fromId)) seen.add(toId);
      if (seen.has(toId)) seen.add(fromId);
    }
  }
  return seen;
}

describe('how a load is reached', () => {
  const choices = Object.fromEntries(
    Array.from({ length: 12 }, (_, k) => [`c${String(k + 1).padStart(2, '0')}`, 'ip-coax-unit' as const]),
  );
  const after = network(chosen(choices, 'hall-recorder', { link: { [toWorkshop.id]: toWorkshop } }));
  it('adds up to the load it explains, whatever is asked about', () => {
    for (const { linkId, load } of after.links) {
      const derivation = loadDerivation(after, { of: 'link', id: linkId })!;
      const sum = derivation.steps[0]!.inputs.reduce((all, { value }) => all + value!, 0);
      expect(sum).toBeCloseTo(load.used, 9);
      expect(derivation.limit!.figure.value).toBe(load.most);
    }
    for (const { deviceId, loads } of after.devices)
      for (const load of loads) {
        const derivation = loadDerivation(after, { of: 'device', id: deviceId, label: load.label })!;
        const sum = derivation.steps[0]!.inputs.reduce((all, { value }) => all + value!, 0);
        expect(sum).toBeCloseTo(load.used, 9);
      }
  });
  it('names the largest and sums the rest, and is nothing where there is no such load', () => {
    const unit = after.topology.devices.find(({ kind }) => kind === 'coax-unit')!;
    const { steps } = loadDerivation(after, { of: 'device', id: 'hall-recorder', label: 'in' })!;
    expect(steps[0]!.inputs.length).toBeGreaterThan(3);
    const many = {
      ...after,
      topology: {
        ...after.topology,
        cameras: after.topology.cameras.map((one) => ({ ...one, deviceId: unit.id, watts: 7 })),
      },
    };
    const ofMany = loadDerivation(many, { of: 'device', id: unit.id, label: 'watts' })!;
    expect(ofMany.steps[0]!.inputs.map(({ name }) => name).at(-1)).toBe('16 more');
    expect(loadDerivation(after, { of: 'device', id: unit.id, label: 'nothing' })).toBeNull();
    expect(loadDerivation(after, { of: 'link', id: 'gone' })).toBeNull();
  });
});

describe('cameras behind an encoder', () => {
  const ids = ['c01', 'c02', 'c04'];
  const site = chosen(Object.fromEntries(ids.map((id) => [id, 'encode' as const])));
  const done = network(site);
  it('bring their picture to it over their coax, and it streams to the recorder', () => {
    const encoder = done.topology.devices.find(({ kind }) => kind === 'encoder')!;
    for (const id of ids)
      expect(endOf(done, id)).toMatchObject({
        deviceId: encoder.id,
        medium: 'coax-picture',
        mbps: 2,
        watts: 0,
        recorderId: 'hall-recorder',
      });
    expect(done.devices.find(({ deviceId }) => deviceId === encoder.id)!.loads).toMatchObject([
      { label: 'ports', used: 3, most: 4 },
    ]);
    const lead = done.topology.links.find(({ toId }) => toId === encoder.id)!;
    expect(done.links.find(({ linkId }) => linkId === lead.id)!.load.used).toBe(6);
  });
  it('go dark together with it', () => expect(darkenedBy(done, /^Encoder/).sort()).toEqual(ids));
});

describe('a recorder with ports of its own', () => {
  const hall = { ...demo.recorder['hall-recorder']!, powerPorts: { ports: 2, watts: 60 } };
  const ids = ['c01', 'c02', 'c04'];
  const pairs = Object.fromEntries(ids.map((id) => [id, 'ip-coax-pair' as const]));
  const alone = chosen(pairs, 'hall-recorder', { recorder: { [hall.id]: hall }, equipment: {} });
  const unitsOf = (site: Site) => evaluateSite(site).total.shared.map(({ of, parts }) => [of, parts]);
  it('feeds as many converters as it has ports, and the rest take a switch', () => {
    const done = network(alone);
    expect(ids.map((id) => endOf(done, id).deviceId).sort()).toEqual([
      hall.id,
      hall.id,
      'poe-switch-8-1-ticket-hall',
    ]);
    expect(done.devices.find(({ deviceId }) => deviceId === hall.id)!.loads).toMatchObject([
      { label: 'in' },
      { label: 'ports', used: 2, most: 2 },
      { label: 'watts', used: 60, most: 60 },
    ]);
    expect(unitsOf(alone)).toEqual([['poe-switch', [{ item: 'poe-switch-8', count: 1 }]]]);
    const two = { ...alone, choice: { c01: alone.choice['c01']!, c02: alone.choice['c02']! } };
    expect(unitsOf(two)).toEqual([['poe-switch', []]]);
    expect(network(two).findings).toEqual([]);
  });
  it('is not planned with beside another recorder, and never feeds what that records', () => {
    const both = { ...alone, recorder: { ...demo.recorder, [hall.id]: hall } };
    expect(unitsOf(both)).toEqual([['poe-switch', [{ item: 'poe-switch-8', count: 1 }]]]);
    const elsewhere = {
      ...both,
      placement: { c01: { id: 'c01', recorderId: 'marshalling-recorder', slot: 17 } },
    };
    expect(endOf(network(elsewhere), 'c01').deviceId).toBe('poe-switch-8-1-ticket-hall');
  });
});
