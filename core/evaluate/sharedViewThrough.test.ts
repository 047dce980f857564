import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { freedBy } from '#core/connect/freed';
import { monitorsOf } from '#core/connect/monitors';
import { tasksOf } from '#core/cutover/tasks';
import { planningInput, planSite } from '#core/decide/plan';
import { demandsOf, withChanges, type Site } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite } from './evaluateSite';
import { networkAt } from './networkAt';
import { planSolver } from './planSolver';
import { signOffOf } from './signOffOf';
import { migrationOfSite, slotSite } from './slotAllocation';
import { decidedSaltmarrow } from './testDecided';

const highs = await loadHighs();
const decided = decidedSaltmarrow(highs);
const { c01, c02, ...others } = decided.camera;
const needs = { detail: 'observe' as const, lamps: false };
/** The desks of the ticket hall: camera 2 gets a camera that sees that of camera 1 too. */
const noted: Site = {
  ...decided,
  camera: {
    ...others,
    c01: {
      ...c01!,
      needs,
      lamps: 'none',
      seenFrom: { cameraId: 'c02', acrossDegrees: 80, targetM: 6 },
    },
    c02: { ...c02!, needs, lamps: 'none', targetM: 5, target: 'fixed-4mp' },
  },
};
const { c01: _freed, ...placement } = noted.placement;
const site: Site = {
  ...noted,
  placement,
  choice: { ...noted.choice, c01: { ...noted.choice['c01']!, option: 'shared-view' } },
};
const evaluation = evaluateSite(site);

describe('a view that is left to another camera', () => {
  it('is what the plan takes where it holds, with the other on a new IP camera', () => {
    const demo = { ...saltmarrowSite(), camera: noted.camera };
    const planning = planSite(planSolver(highs), planningInput(demo, demandsOf(demo)));
    const options = planning.kind === 'plan' ? planning.plan.options : null;
    expect([options?.['c01'], options?.['c02']]).toEqual([
      'shared-view',
      expect.stringMatching(/^ip-|category/),
    ]);
  });
  it('leaves its input, its cable and its box, and is no camera of the network any more', () => {
    expect(evaluation.runs.find(({ camera }) => camera.id === 'c01')!.choiceBroken).toBeNull();
    const { cameras } = networkAt(site, evaluation, { kind: 'after' }).topology;
    expect(cameras.map(({ cameraId }) => cameraId)).not.toContain('c01');
    const hall = (at: Site) =>
      freedBy(at, evaluateSite(at).runs).boxes.find(({ supplyId }) => supplyId === 'hall-box')!.outputs;
    expect(hall(site)).toBe(hall(noted));
    const [monitor] = monitorsOf(site, evaluation.runs);
    expect(monitor!.problems.join()).toMatch(/Camera 1 is seen by camera 2 then/);
    expect(evaluation.left.toPlace).toBe(evaluateSite(noted).left.toPlace);
  });
  it('is proved in the other picture before its own camera comes down, by day', () => {
    const migration = migrationOfSite(site, evaluation.allocation);
    const unplugged = migration.nights.flatMap(({ steps }) => steps.filter(({ kind }) => kind === 'unplug'));
    expect(unplugged).toEqual([]);
    const tasks = tasksOf({
      site,
      runs: evaluation.runs,
      migration,
      total: evaluation.total,
      calendar: null,
    });
    const mine = tasks.filter(({ cameraId }) => cameraId === 'c01');
    expect(mine.map(({ kind }) => kind)).toEqual(['dusk-check', 'remove']);
    expect(mine[0]!.needs).toEqual(['swap-c02']);
    expect(mine[1]!.needs).toEqual([mine[0]!.id]);
  });
  it('is taken off its input just before that is wanted, where somebody comes there', () => {
    const { recorderId, input } = site.run['r01']!.patchedTo!;
    const taking: Site = {
      ...site,
      choice: { ...site.choice, c03: { ...site.choice['c03']!, option: 'keep' } },
      placement: { ...site.placement, c03: { id: 'c03', recorderId, slot: input } },
    };
    const { nights } = migrationOfSite(taking, evaluateSite(taking).allocation);
    const steps = nights.flatMap((night) => night.steps);
    const at = steps.findIndex((step) => step.kind === 'unplug' && step.cameraId === 'c01');
    expect(steps[at + 1]).toMatchObject({ cameraId: 'c03', to: { recorderId, slot: input } });
    const tasks = tasksOf({
      site: taking,
      runs: evaluateSite(taking).runs,
      migration: migrationOfSite(taking, evaluateSite(taking).allocation),
      total: evaluation.total,
      calendar: null,
    });
    expect(tasks.find(({ cameraId, kind }) => cameraId === 'c01' && kind === 'swap')).toBeDefined();
  });
  it('is accepted by its own pixels in the other picture, and so is the view beside it', () => {
    const asked = signOffOf(site, evaluation);
    const pixels = (id: string): number =>
      asked.things
        .find(({ of }) => of.kind === 'camera' && of.id === id)!
        .checks.find(({ check }) => check === 'pixels-per-metre')!.predicted!.value;
    // 2560 pixels over 2 · d · tan 40°, by hand.
    expect(pixels('c01')).toBeCloseTo(2560 / (12 * 0.8391), 1);
    expect(pixels('c02')).toBeCloseTo(2560 / (10 * 0.8391), 1);
  });
  it('takes no slot when all are allocated anew', () => {
    const { changes, without } = slotSite(highs, site, evaluation.allocation, 'all');
    expect(without).toEqual([]);
    expect(withChanges(site, changes).placement['c01']).toBeUndefined();
  });
});
