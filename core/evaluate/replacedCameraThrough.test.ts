import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { nightStepInWords } from '#core/allocate/recorder';
import { networkOf, type Moment } from '#core/connect/topology';
import { catalogueOf, eachOf, labourRateOf } from '#core/model/catalogue';
import { networkCameraNeeds, plannedNetwork } from '#core/decide/options';
import { applyChanges, withChanges, type Change, type NetworkCamera, type Site } from '#core/model/site';
import { evaluateSite, type SiteEvaluation } from './evaluateSite';
import { hookUpOfCamera } from './hookUpOfCamera';
import { tasksNow } from './nightsNow';
import { signOffOf } from './signOffOf';
import { migrationOfSite } from './slotAllocation';
import { decidedSaltmarrow } from './testDecided';

const noted = (site: Site, fields: Partial<NetworkCamera>): Change => ({
  kind: 'networkCamera',
  id: 'c25',
  set: { ...site.networkCamera['c25']!, ...fields },
});

let before: Site;
let site: Site;
let evaluation: SiteEvaluation;
beforeAll(async () => {
  before = decidedSaltmarrow(await loadHighs());
  site = withChanges(before, [noted(before, { replaced: true })]);
  evaluation = evaluateSite(site);
});
const tasksOf = (one: Site) => tasksNow(one, evaluateSite(one), null).tasks;
const endAt = (moment: Moment) =>
  networkOf(site, evaluation.runs, evaluation.total, moment).topology.cameras.find(
    ({ cameraId }) => cameraId === 'c25',
  )!;

describe('an IP camera that another takes the place of', { timeout: 60_000 }, () => {
  it('is as noted until its night, and as its class has it from then on', () => {
    const byClass = networkCameraNeeds(withChanges(before, [bare(before)])).find(
      ({ camera }) => camera.id === 'c25',
    )!;
    const [today, morning, after] = [
      endAt({ kind: 'today' }),
      endAt({ kind: 'morning', moved: new Set(['c01']) }),
      endAt({ kind: 'after' }),
    ];
    expect([today.mbps, today.watts]).toEqual([4, 6]);
    expect([morning.mbps, morning.watts]).toEqual([4, 6]);
    expect([after.mbps, after.watts]).toEqual([byClass.signal.mbps, byClass.portWatts]);
    expect(after.watts).not.toBe(6);
    expect(endAt({ kind: 'morning', moved: new Set(['c25']) })).toEqual(after);
    expect([today.deviceId, today.lengthM]).toEqual([after.deviceId, after.lengthM]);
  });
  it('joins its own slot anew in the order of moves, and is changed in that night', () => {
    const steps = migrationOfSite(site, evaluation.allocation).nights.flatMap((night) => night.steps);
    const [step, ...others] = steps.filter((one) => 'cameraId' in one && one.cameraId === 'c25');
    const at = { recorderId: 'marshalling-recorder', slot: 24 };
    expect(step).toEqual({ kind: 'join', cameraId: 'c25', number: 25, from: at, to: at });
    expect(others).toEqual([]);
    expect(nightStepInWords(step!, () => ({ name: 'Marshalling recorder' }))).toEqual([
      'Camera 25 leaves Marshalling recorder 24 and joins it anew.',
    ]);
    const ofIt = tasksOf(site).filter(({ cameraId }) => cameraId === 'c25');
    expect(ofIt.map(({ kind }) => kind).sort()).toEqual(['configure', 'dusk-check', 'swap']);
    const swap = ofIt.find(({ kind }) => kind === 'swap')!;
    expect(swap.needs).toContain('configure-c25');
    expect(swap.dark.map(({ view }) => view)).toEqual(['c25']);
    expect(swap.dark[0]!.minutes).toBeGreaterThan(0);
    expect(ofIt.find(({ kind }) => kind === 'dusk-check')!.needs).toEqual(['swap-c25']);
    expect(tasksOf(before).filter(({ cameraId }) => cameraId === 'c25')).toEqual([]);
  });
  // A new camera of its class, its bracket, its seal and the old one's disposal; no cable, since that is there.
  it('costs a camera and the work at it by night, and no lead', () => {
    const catalogue = catalogueOf(site);
    const [now, then] = [plannedNetwork(before), plannedNetwork(site)];
    const parts = then.parts.slice(now.parts.length);
    expect(catalogue.products.get(parts[0]!.item)).toMatchObject({ kind: 'camera' });
    expect(parts.slice(1).map(({ item }) => item)).toEqual(['camera-mount', 'disposal', 'weatherproofing']);
    expect(then.newCableM).toBe(now.newCableM);
    const dark = then.darkHours - now.darkHours;
    expect(dark).toBeGreaterThan(0);
    const { day, night } = labourRateOf(catalogue);
    const bought = parts.reduce(
      (sum, { item, count }) => sum + count * eachOf(catalogue.products.get(item)!)!,
      0,
    );
    const hours = then.hours - now.hours;
    expect(then.cost - now.cost).toBeCloseTo(
      Math.round(bought) + Math.round((hours - dark) * day + dark * night),
      9,
    );
    const [was, is] = [evaluateSite(before).total, evaluation.total];
    expect(is.darkHours - was.darkHours).toBeCloseTo(dark, 9);
    expect(is.cost - was.cost).toBeCloseTo(then.cost - now.cost, 6);
  });
  it('is drawn as a new camera on its own port when it is done, and signed off with its serial and the old frame', () => {
    const drawn = hookUpOfCamera(site, evaluation, 'c25', 'awg')!;
    const names = (at: 'today' | 'after') => JSON.stringify(drawn[at]!.lines);
    expect(names('today')).not.toContain('New camera 25');
    expect(names('after')).toContain('New camera 25');
    expect(names('after')).toContain('its port');
    const checks = signOffOf(site, evaluation)
      .things.find(({ of }) => of.kind === 'camera' && of.id === 'c25')!
      .checks.map(({ check }) => check);
    expect(checks).toEqual(expect.arrayContaining(['serial', 'frame-agrees']));
    expect(checks).not.toContain('cable-tester');
  });
  it('is hired a lift for where it hangs high, by the half-day', () => {
    const high = (one: Site): Site =>
      withChanges(one, [
        {
          kind: 'place',
          id: 'kiosks',
          set: { ...one.place['kiosks']!, access: { by: 'lift', heightM: 8 } },
        },
      ]);
    const halfDays = (one: Site) => plannedNetwork(one).parts.filter(({ item }) => item === 'lift-half-day');
    expect(halfDays(high(before))).toEqual([]);
    expect(halfDays(high(site))).toEqual([{ item: 'lift-half-day', count: 1 }]);
    const swap = tasksOf(high(site)).find(({ id }) => id === 'swap-c25')!;
    expect(swap).toMatchObject({ lift: 'kiosks', people: 2, skills: ['cable', 'height'] });
    expect(swap.needs).toContain('permit-kiosks');
  });
  it('has to be there', () => {
    const refused = applyChanges(before, [noted(before, { replaced: true, state: 'planned' })]);
    expect(refused).toMatchObject({
      kind: 'refused',
      problems: [
        { path: 'networkCamera/c25/replaced', allowed: expect.stringContaining('not there') as string },
      ],
    });
  });
});

/** The camera with nothing noted of what it sends and takes. */
function bare(of: Site): Change {
  const { mbps: _, megapixels: __, portWatts: ___, ...rest } = of.networkCamera['c25']!;
  return { kind: 'networkCamera', id: 'c25', set: rest };
}
