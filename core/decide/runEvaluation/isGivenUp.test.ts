import { describe, expect, it } from 'vitest';
import { freedBy } from '#core/connect/freed';
import { monitorsOf } from '#core/connect/monitors';
import type { PowerNode } from '#core/connect/powerPicture';
import { evaluateSite, migrationOfSite, networkAt, roomAt, tasksNow } from '#core/evaluate';
import type { OptionKind, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { isGivenUp } from '.';

const demo = saltmarrowSite();
const { c03: _, ...placement } = demo.placement;

/** The demo with so much chosen for camera 3, whose view may go or may not. */
const choosing = (option: OptionKind, mayGo: boolean): Site => ({
  ...demo,
  placement,
  camera: { ...demo.camera, c03: { ...demo.camera['c03']!, ...(mayGo ? { mayGo } : {}) } },
  choice: { ...demo.choice, c03: { id: 'c03', option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' } },
});

/** Watts of a node of the power picture, wherever it hangs. */
const wattsOf = (nodes: readonly PowerNode[], name: string): number =>
  nodes.reduce((sum, node) => sum + (node.name === name ? node.watts : wattsOf(node.children, name)), 0);

/** What becomes of camera 3, in all places that tell of it. */
function fateOf(site: Site) {
  const evaluation = evaluateSite(site);
  const { runs, allocation, left } = evaluation;
  const steps = migrationOfSite(site, allocation).nights.flatMap((night) => night.steps);
  const { topology } = networkAt(site, evaluation, { kind: 'after' });
  const tile = monitorsOf(site, runs)
    .flatMap(({ tiles }) => tiles)
    .find(({ number }) => number === 3)!;
  return {
    isGivenUp: isGivenUp(runs.find(({ camera }) => camera.id === 'c03')!),
    leaves: steps.some((step) => step.kind === 'unplug' && step.cameraId === 'c03'),
    tasks: tasksNow(site, evaluation, null).tasks.filter(({ cameraId }) => cameraId === 'c03').length,
    hangs: topology.cameras.some(({ cameraId }) => cameraId === 'c03'),
    freesInputs: freedBy(site, runs).inputs.find(({ recorderId }) => recorderId === 'hall-recorder')!.count,
    boxWatts: wattsOf(roomAt(site, evaluation, { kind: 'after' }).power, 'Hall box'),
    tile: tile.lost,
    toPlace: left.toPlace,
  };
}

describe('a view that is given up', () => {
  const undecided = fateOf({ ...choosing('keep', false), choice: demo.choice });
  const agreed = fateOf(choosing('retire', true));
  it('goes once its loss is agreed: from its input, the network, its box and the monitor', () => {
    expect(agreed).toMatchObject({ isGivenUp: true, leaves: true, hangs: false, tile: 'retired' });
    expect(agreed.freesInputs).toBe(undecided.freesInputs + 1);
    expect(agreed.boxWatts).toBeLessThan(undecided.boxWatts);
  });
  it.each([
    ['that nobody agreed to lose', 'retire'],
    ['that no other camera was found to see', 'shared-view'],
  ] as const)('stays everywhere where it is one %s', (_, option) => {
    const stays = fateOf(choosing(option, false));
    expect(stays).toMatchObject({ isGivenUp: false, leaves: false, tasks: 0, hangs: true, tile: null });
    expect(stays.freesInputs).toBe(undecided.freesInputs);
    expect(stays.boxWatts).toBeCloseTo(undecided.boxWatts, 9);
    expect(stays.toPlace).toBe(undecided.toPlace);
  });
});
