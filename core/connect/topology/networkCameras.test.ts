import { describe, expect, it } from 'vitest';
import { planSheet } from '#core/documents';
import { evaluateSite, networkAt } from '#core/evaluate';
import {
  addEquipment,
  addNetworkCamera,
  applyChanges,
  removeNetworkCamera,
  setAllocationSettings,
  type Change,
  type Link,
  type Site,
} from '#core/model/site';
import { camerasWithoutRun } from '#core/survey/gaps';
import { removeRows } from '#core/survey/lists';
import { changesOf, saltmarrowOnRuns } from '../../model/site/testSite';

const site = saltmarrowOnRuns();
const taken = (to: Site, ...changes: Change[]): Site => {
  const applied = applyChanges(to, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};
const refusals = (to: Site, ...changes: Change[]): string => {
  const applied = applyChanges(to, changes);
  return applied.kind === 'refused' ? applied.problems.map(({ allowed }) => allowed).join() : '';
};

const fieldSwitch = addEquipment(site, 'switch', 'Pole switch', 'gatehouse');
const radio = (name: string, placeId: string) => addEquipment(site, 'link-end', name, placeId);
const [near, far] = [radio('Hall radio', 'ticket-hall'), radio('Pole radio', 'gatehouse')];
const link: Link = {
  id: 'air',
  name: 'Hall to gatehouse by radio',
  fromPlaceId: 'ticket-hall',
  toPlaceId: 'gatehouse',
  fromEnd: { deviceId: near.id },
  toEnd: { deviceId: far.id },
  medium: 'radio',
  lengthM: 480,
  carriesMbps: 60,
  state: 'planned',
};
const air: Change = { kind: 'link', id: 'air', set: link };
const withPole = taken(site, fieldSwitch, near, far, air);

/** So many new views at the gatehouse, on the pole's switch and the hall's recorder. */
function withViews(count: number, lengthM = 12): Site {
  let now = withPole;
  for (let k = 0; k < count; k += 1) {
    const changes = addNetworkCamera(now, {
      name: `Lane ${k + 1}`,
      placeName: 'Gatehouse',
      target: 'fixed-4mp',
      state: 'planned',
      deviceId: fieldSwitch.id,
      lead: { medium: 'category', lengthM },
    });
    const { id } = changes.at(-1)!;
    const set = { id, recorderId: 'hall-recorder', slot: 21 + k };
    now = taken(now, ...changes, { kind: 'placement', id, set });
  }
  return now;
}
const after = (at: Site) => networkAt(at, evaluateSite(at), { kind: 'after' });
const idsOf = (at: Site): string[] => Object.keys(at.networkCamera);

describe('cameras of the network', () => {
  const four = withViews(4);
  it('hang on the switch that is noted, and go to their recorder over both radios', () => {
    const { topology, links, failures, findings } = after(four);
    const ends = topology.cameras.filter(({ runId }) => runId === null);
    expect(ends.map(({ deviceId, mbps, medium }) => [deviceId, mbps, medium])).toEqual(
      Array.from({ length: 4 }, () => [fieldSwitch.id, 6, 'category']),
    );
    expect(links.find(({ linkId }) => linkId === 'air')!.load.used).toBe(24);
    for (const id of ['air', near.id, far.id, fieldSwitch.id])
      expect(failures.find(({ of }) => of.id === id)!.cameraIds.sort()).toEqual(idsOf(four).sort());
    expect(findings.filter(({ cameraNumbers }) => cameraNumbers.some((number) => number > 24))).toEqual([]);
  });
  it('take ports and watts of their switch', () => {
    const { devices } = after(four);
    const { loads } = devices.find(({ deviceId }) => deviceId === fieldSwitch.id)!;
    // 5.5 W without lamps are class 2, which ends at 6.49 W: 7 W at the port.
    expect(loads.map(({ label, used }) => [label, used])).toEqual([
      ['ports', 4],
      ['watts', 4 * 7],
    ]);
  });
  it('are not there today, and come when their night does', () => {
    const evaluation = evaluateSite(four);
    const count = (moment: Parameters<typeof networkAt>[2]): number =>
      networkAt(four, evaluation, moment).topology.cameras.filter(({ runId }) => runId === null).length;
    const { nights } = networkAt(four, evaluation, { kind: 'after' }).ahead;
    expect(count({ kind: 'today' })).toBe(0);
    expect(count({ kind: 'morning', night: nights.length })).toBe(4);
  });
  it('that are there already are there at every moment and move nowhere', () => {
    const there = Object.values(four.networkCamera).map((fact): Change => ({
      kind: 'networkCamera',
      id: fact.id,
      set: { ...fact, state: 'there' },
    }));
    const today = networkAt(taken(four, ...there), evaluateSite(taken(four, ...there)), { kind: 'today' });
    expect(today.topology.cameras.filter(({ runId }) => runId === null)).toHaveLength(4);
  });
  it('without a slot wait for one, and without a switch say so', () => {
    const [id] = idsOf(four);
    const loose = taken(
      four,
      { kind: 'placement', id: id!, remove: true },
      { kind: 'networkCamera', id: id!, set: { ...four.networkCamera[id!]!, deviceId: 'gone' } },
    );
    expect(evaluateSite(loose).allocation.waiting.map(({ cameraId }) => cameraId)).toContain(id);
    expect(
      after(loose)
        .findings.filter(({ cameraNumbers }) => cameraNumbers.includes(four.camera[id!]!.number))
        .map(({ kind }) => kind),
    ).toEqual(['no-device', 'no-recorder', 'pin-lost']);
  });
  it('hang on an injector alone, which gives them so many watts', () => {
    const injector = addEquipment(withPole, 'injector', 'Pole injector', 'gatehouse');
    const fed = taken(
      withPole,
      injector,
      ...addNetworkCamera(withPole, {
        name: 'Lane',
        placeName: 'Gatehouse',
        target: 'fixed-4mp',
        state: 'planned',
        deviceId: injector.id,
        lead: { medium: 'category', lengthM: 12 },
      }),
    );
    const { devices, findings } = after(fed);
    expect(devices.find(({ deviceId }) => deviceId === injector.id)!.loads).toMatchObject([
      { label: 'ports', used: 1, most: 1 },
      { label: 'watts', used: 7, most: 30 },
    ]);
    expect(findings.filter(({ kind }) => kind === 'no-power')).toEqual([]);
  });
  it('at the end of too long a lead say so', () =>
    expect(after(withViews(1, 99)).findings.map(({ kind }) => kind)).toContain('too-long'));
  it('that go leave nothing of themselves', () => {
    const without = idsOf(four).reduce(
      (now, id) => taken(now, ...changesOf(removeNetworkCamera(now, id))),
      four,
    );
    expect(without).toEqual(withPole);
    const removal = removeRows(four, 'camera', idsOf(four));
    expect(taken(four, ...(removal.kind === 'changes' ? removal.changes : []))).toEqual(withPole);
  });
  it('that go leave rules, tasks, drawings and priorities too, unless something was read for their acceptance', () => {
    const [id = ''] = idsOf(four);
    const ruled = taken(
      four,
      {
        kind: 'viewRule',
        id: 'lane',
        set: { id: 'lane', name: 'Lanes', cameraIds: ['c23', 'c24', id], mostDark: 1 },
      },
      {
        kind: 'ownTask',
        id: 'clean',
        set: {
          id: 'clean',
          name: 'Clean the dome',
          when: 'night',
          placeId: 'gatehouse',
          minutes: 20,
          people: 1,
          skills: [],
          dark: { cameraIds: [id], minutes: 10 },
        },
      },
      {
        kind: 'pin',
        id: `camera-${id}`,
        set: {
          id: `camera-${id}`,
          drawingId: 'site-plan',
          of: { kind: 'camera', id },
          at: { x: 100, y: 100 },
        },
      },
      setAllocationSettings(four, { first: [id] }),
    );
    const without = taken(ruled, ...changesOf(removeNetworkCamera(ruled, id)));
    expect(without.viewRule['lane']!.cameraIds).toEqual(['c23', 'c24']);
    expect(without.ownTask['clean']!.dark).toBeUndefined();
    expect([without.pin[`camera-${id}`], without.camera[id], without.networkCamera[id]]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    const read = taken(ruled, {
      kind: 'punchItem',
      id: 'dirty',
      set: {
        id: 'dirty',
        of: { kind: 'camera', id },
        what: 'The dome is dirty',
        severity: 'cosmetic',
        at: '2026-04-01T09:00:00Z',
        by: 'R. Tolland',
      },
    });
    expect(removeNetworkCamera(read, id)).toEqual({ kind: 'in-use', by: ['its acceptance'] });
  });
  it('are no cameras whose cable is still to be noted', () => {
    expect(camerasWithoutRun(four)).toEqual([]);
    const { left } = evaluateSite(four);
    expect(left.toNote).toBe(evaluateSite(site).left.toNote);
  });
  it('stand on the plan that is handed over, with what to mind', () => {
    const { network, cautions, total } = planSheet(four, evaluateSite(four));
    expect(network.lines[0]).toMatch(/^New view 25 Lane 1 at Gatehouse, 12 m of category cable$/);
    expect(network.lines.at(-1)).toMatch(/^Hall to gatehouse by radio, 480 m$/);
    expect(cautions.join(' ')).toMatch(/Masts and outdoor radios are bonded to earth/);
    expect(total.cost).toBe(evaluateSite(site).total.cost + network.cost);
  });
  it('cost what they are made of, whatever is chosen beside', () => {
    const cost = (at: Site): number => evaluateSite(at).total.network.cost;
    // Two radios of 165 and 2.4 h at 48: the radios are noted as gear that is there, so the link is its labour.
    expect(cost(withPole)).toBe(115);
    const each = cost(withViews(1)) - cost(withPole);
    expect(each).toBeGreaterThan(190 + 12 * 1.2 + 32);
    expect(cost(withViews(3)) - cost(withPole)).toBeCloseTo(3 * each, -1);
    expect(evaluateSite(four).total.cost).toBe(evaluateSite(site).total.cost + cost(four));
  });
});

describe('what does not fit together', () => {
  it('is a run to a camera of the network', () => {
    const four = withViews(1);
    const [id] = idsOf(four);
    const run = { ...four.run['r01']!, id: 'twice', cameraId: id!, patchedTo: undefined };
    const { patchedTo: _, ...set } = run;
    expect(refusals(four, { kind: 'run', id: 'twice', set })).toMatch(/run twice ends there/);
  });
  it.each([
    ['an end in gear of another place', { fromEnd: { deviceId: far.id } }, /gear that stands at Ticket hall/],
    ['a port that is not there', { toEnd: { deviceId: fieldSwitch.id, port: 99 } }, /a port from 1 to 24/],
  ])('is %s', (_, ends, words) =>
    expect(refusals(withPole, { kind: 'link', id: 'air', set: { ...link, ...ends } })).toMatch(words),
  );
  it('is a port used twice', () => {
    const inPort = (id: string): Change => ({
      kind: 'link',
      id,
      set: { ...link, id, toEnd: { deviceId: fieldSwitch.id, port: 3 } },
    });
    expect(refusals(withPole, inPort('a'), inPort('b'))).toMatch(/a free port; Hall to gatehouse/);
  });
});
