import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { boughtUnits, newNetworkGear } from '#core/connect/gear';
import { plannedNetwork, totalOf } from '#core/decide/options';
import { addNetworkCamera, withChanges, type Site } from '#core/model/site';
import { evaluateSite } from './evaluateSite';
import { tasksNow } from './nightsNow';
import { networkAt } from './networkAt';
import { signOffOf } from './signOffOf';
import { migrationOfSite } from './slotAllocation';
import { decidedSaltmarrow } from './testDecided';

/** A switch that is bought for the quay, a fibre to it, and a new camera that hangs there on its port. */
function withNewView(site: Site): Site {
  const [quay] = Object.values(site.place).filter(({ name }) => name === 'Quay');
  const [hall] = Object.values(site.recorder);
  return withChanges(site, [
    {
      kind: 'equipment',
      id: 'quay-switch',
      set: {
        id: 'quay-switch',
        name: 'Quay switch',
        placeId: quay!.id,
        gear: { kind: 'switch', ports: 8, poePorts: 8, portWatts: 30, poeWatts: 120, uplinkMbps: 1000 },
        toBuy: 'poe-switch-8',
      },
    },
    {
      kind: 'link',
      id: 'quay-fibre',
      set: {
        id: 'quay-fibre',
        name: 'Hall to quay',
        medium: 'fibre',
        state: 'planned',
        fromPlaceId: hall!.placeId,
        toPlaceId: quay!.id,
        lengthM: 300,
        carriesMbps: 1000,
      },
    },
    ...addNetworkCamera(site, {
      name: 'Quay steps',
      placeName: 'Quay',
      target: 'fixed-4mp',
      state: 'planned',
      deviceId: 'quay-switch',
      lead: { medium: 'category', lengthM: 40 },
    }),
  ]);
}

let before: Site;
let site: Site;
beforeAll(async () => {
  before = decidedSaltmarrow(await loadHighs());
  site = withNewView(before);
});
const tasksOfSite = (one: Site) => tasksNow(one, evaluateSite(one), null).tasks;
const newId = () => Object.keys(site.networkCamera).find((id) => !(id in before.networkCamera))!;

describe('what is planned of the network', { timeout: 60_000 }, () => {
  it('is laid, built and hung before the nights, each after what it waits for, and proved once it records', () => {
    const tasks = tasksOfSite(site);
    const id = newId();
    const of = (taskId: string) => tasks.find((one) => one.id === taskId)!;
    expect(of('lay-link-quay-fibre')).toMatchObject({ kind: 'lay-link', of: 'Hall to quay', people: 2 });
    expect(of('build-poe-switch-quay').needs).toContain('lay-link-quay-fibre');
    const hung = of(`new-view-${id}`);
    expect(hung.needs).toEqual(expect.arrayContaining(['build-poe-switch-quay', 'lay-link-quay-fibre']));
    expect(hung.dark).toEqual([]);
    expect(of(`dusk-check-${id}`).needs).toContain(hung.id);
    expect(of('witness').needs).toContain(`dusk-check-${id}`);
  });
  it('moves a camera of the network from the slot that keeps it today to the one that it is given', () => {
    const slots = (recordedAt: { recorderId: string; slot: number } | undefined, to: number | null): Site =>
      withChanges(before, [
        { kind: 'networkCamera', id: 'c25', set: { ...before.networkCamera['c25']!, recordedAt } },
        to === null
          ? { kind: 'placement', id: 'c25', remove: true }
          : {
              kind: 'placement',
              id: 'c25',
              set: { id: 'c25', recorderId: 'marshalling-recorder', slot: to },
            },
      ]);
    const at = (slot: number) => ({ recorderId: 'marshalling-recorder', slot });
    const orderOf = (one: Site) => migrationOfSite(one, evaluateSite(one).allocation);
    const rejoins = (one: Site) =>
      orderOf(one).nights.flatMap(({ steps }) => steps.filter(({ kind }) => kind === 'rejoin'));
    expect(rejoins(before)).toEqual([]);
    expect(rejoins(slots(at(24), 24))).toEqual([]);
    const moved = slots(at(23), 24);
    expect(rejoins(moved)).toEqual([
      { kind: 'rejoin', cameraId: 'c25', number: 25, from: at(23), to: at(24) },
    ]);
    expect(orderOf(moved).nights.flatMap(({ broken }) => broken)).toEqual([]);
    const told = tasksOfSite(moved).filter(({ kind }) => kind === 'rejoin');
    expect(told).toMatchObject([{ cameraId: 'c25', place: 'marshalling', skills: ['network'] }]);

    // On no slot by the plan it stays where it is, and waits for none.
    const staying = evaluateSite(slots(at(23), null));
    expect(staying.allocation.waiting.map(({ number }) => number)).not.toContain(25);
    expect(staying.allocation.occupied['marshalling-recorder']).toContainEqual(
      expect.objectContaining({ slot: 23, placed: false }),
    );
    expect(evaluateSite(slots(undefined, null)).allocation.waiting.map(({ number }) => number)).toContain(25);
    // Today it is on the recorder that keeps it, whatever is planned.
    const other = slots({ recorderId: 'hall-recorder', slot: 24 }, 24);
    const keptBy = (kind: 'today' | 'after') =>
      networkAt(other, evaluateSite(other), { kind }).topology.cameras.find(
        ({ cameraId }) => cameraId === 'c25',
      )!.recorderId;
    expect([keptBy('today'), keptBy('after')]).toEqual(['hall-recorder', 'marshalling-recorder']);
  });
  it('stays the same task once a unit that a choice asked for is noted as gear', () => {
    const evaluation = evaluateSite(before);
    const noted = boughtUnits(before, evaluation.total).reduce(
      (one, unit) => withChanges(one, newNetworkGear(one, unit)),
      before,
    );
    const buildsOf = (one: Site) =>
      tasksOfSite(one)
        .filter(({ kind }) => kind === 'build')
        .map(({ id }) => id)
        .sort();
    expect(buildsOf(noted)).toEqual(buildsOf(before));
    expect(buildsOf(noted).length).toBeGreaterThan(1);
  });
  it('takes the hours that it is priced with, gear beside them', () => {
    const tasksIn = (one: Site) => tasksOfSite(one);
    const known = new Set(tasksIn(before).map(({ id }) => id));
    const hours = tasksIn(site)
      .filter(({ id, kind }) => !known.has(id) && ['lay-link', 'new-view', 'dusk-check'].includes(kind))
      .reduce((sum, { kind, lift, minutes }) => {
        // Two lay a link, and two share the work from a lift.
        const together = kind === 'lay-link' || lift !== null ? 2 : 1;
        return sum + (minutes.likely * together) / 60;
      }, 0);
    expect(hours).toBeCloseTo(plannedNetwork(site).hours - plannedNetwork(before).hours, 9);
    expect(totalOf(site, [], [], 5).hours).toBeGreaterThan(totalOf(before, [], [], 5).hours);
  });
  it('is signed off: a new view with its lead and serial, one that was there by its picture', () => {
    const { things } = signOffOf(site, evaluateSite(site));
    const checksOf = (id: string) =>
      things.find(({ of }) => of.kind === 'camera' && of.id === id)!.checks.map(({ check }) => check);
    expect(checksOf(newId())).toEqual(
      expect.arrayContaining(['cable-tester', 'playback', 'picture-by-lamps', 'serial', 'password-holder']),
    );
    // There is no old picture that a new view could agree with.
    expect(checksOf(newId())).not.toContain('frame-agrees');
    // It is predicted to take what a camera of its class does, not what its port could give.
    const port = things
      .find(({ of }) => of.id === newId())!
      .checks.find(({ check }) => check === 'port-watts')!;
    const limit = port.limit.kind === 'figure' ? port.limit.most! : NaN;
    expect(port.predicted!.high).toBeLessThan(limit);
    expect(checksOf('c25')).toEqual(expect.arrayContaining(['playback', 'password-holder']));
    expect(checksOf('c25')).not.toContain('cable-tester');
    expect(checksOf('c25')).not.toContain('serial');
  });
});
