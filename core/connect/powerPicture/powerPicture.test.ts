import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { OptionKind, Site } from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import { powerPicture, type PowerNode } from '.';

const demo = saltmarrowOnRuns();
const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
const choosing = (options: Record<string, OptionKind>): Site => ({
  ...demo,
  choice: Object.fromEntries(Object.entries(options).map(([id, option]) => [id, { id, option, ...who }])),
});
function picture(site: Site, kind: 'today' | 'after'): PowerNode[] {
  const evaluation = evaluateSite(site);
  const { topology } = networkAt(site, evaluation, { kind });
  return powerPicture(site, evaluation.runs, topology, { kind });
}
const all = (nodes: readonly PowerNode[]): PowerNode[] =>
  nodes.flatMap((node) => [node, ...all(node.children)]);
const find = (nodes: readonly PowerNode[], id: string) => all(nodes).find((node) => node.id === id)!;
const cameras = (nodes: readonly PowerNode[]): string[] =>
  all(nodes)
    .filter(({ kind }) => kind === 'camera')
    .map(({ id }) => id)
    .sort();

describe('the picture of power', () => {
  const today = picture(demo, 'today');
  it('has each camera once, today and when all is done', () => {
    const ids = Object.keys(demo.camera).sort();
    expect(cameras(today)).toEqual(ids);
    expect(
      cameras(picture(choosing({ c01: 'ip-coax-unit', c20: 'ip-category', c23: 'wireless' }), 'after')),
    ).toEqual(ids);
    const retired = choosing({ c15: 'retire' });
    expect(cameras(picture(retired, 'after'))).toEqual(ids);
    const camera = { ...demo.camera, c15: { ...demo.camera['c15']!, mayGo: true } };
    expect(cameras(picture({ ...retired, camera }, 'after'))).toEqual(ids.filter((id) => id !== 'c15'));
  });
  it('says of a box what its cameras draw of it, as Survey does, and what that is of the mains', () => {
    const [supply] = Object.values(demo.supply).filter(({ current }) => current === 'dc');
    const box = find(today, supply!.id);
    const watts = box.children.reduce((sum, child) => sum + child.watts, 0);
    expect(box.load!.used * supply!.setVolts).toBeCloseTo(watts, 6);
    expect(box.watts).toBeCloseTo(watts / 0.85, 6);
  });
  it('a circuit carries all that hangs on it, and a UPS lasts at what it feeds', () => {
    const hookUp = { fedById: 'hall-ups', mainsWatts: 60 };
    const hall = { ...demo.recorder['hall-recorder']!, hookUp };
    const nodes = picture({ ...demo, recorder: { ...demo.recorder, [hall.id]: hall } }, 'today');
    const ups = find(nodes, 'hall-ups');
    const fed = 60 + find(nodes, 'hall-box').watts;
    // 380 Wh × 0.8 for age × 0.85 for its inverter.
    expect(ups.backup!.hours).toBeCloseTo((380 * 0.8 * 0.85) / fed, 6);
    expect(ups.watts).toBeCloseTo(fed, 6);
    const circuit = find(nodes, 'hall-circuit');
    expect(circuit.watts).toBeCloseTo(fed + 35, 6);
    // All of it is small enough to take its current in peaks.
    expect(circuit.load).toMatchObject({
      used: expect.closeTo((fed + 35) / 0.65, 6) as number,
      most: 230 * 16 * 0.8,
      unit: 'VA',
    });
  });
  it('a UPS is held to its volt-amperes where they are what fills it', () => {
    const ups = demo.equipment['hall-ups']!;
    if (ups.gear.kind !== 'ups') throw new Error('it is a UPS');
    const rated = (ratedVa: number): Site => ({
      ...demo,
      equipment: { ...demo.equipment, [ups.id]: { ...ups, gear: { ...ups.gear, ratedVa } } as typeof ups },
    });
    const { watts, voltAmps, load } = find(picture(rated(140), 'today'), ups.id);
    expect(voltAmps).toBeGreaterThan(watts * 1.3);
    expect(load).toMatchObject({ unit: 'VA', used: voltAmps, most: 140 });
    expect(find(picture(rated(5000), 'today'), ups.id).load).toMatchObject({ unit: 'W', used: watts });
  });
  it('the transformer of an AC box passes on the peaks of its cameras, however large it is', () => {
    const box = Object.values(demo.supply).find(({ current }) => current === 'ac')!;
    const large: Site = {
      ...demo,
      supply: { ...demo.supply, [box.id]: { ...box, hookUp: { mainsWatts: 200 } } },
    };
    expect(find(picture(large, 'today'), box.id).voltAmps).toBeCloseTo(200 / 0.65, 6);
  });
  it('a camera whose cores got a supply of their own hangs on no circuit yet, and not on the box', () => {
    const after = picture(choosing({ c08: 'power-fix' }), 'after');
    const { feed } = demo.run['r08']!;
    if (feed.kind === 'local-adapter') throw new Error('it hangs on a box');
    expect(find(after, feed.supplyId).children.map((child) => child.id)).not.toContain('c08');
    expect(find(after, 'no-circuit').children.map((child) => child.id)).toContain('c08');
  });
  it('a camera that is fed by a port leaves its box', () => {
    const supplyId = (demo.run['r01']!.feed as { supplyId: string }).supplyId;
    const after = picture(choosing({ c01: 'ip-coax-unit' }), 'after');
    expect(find(today, supplyId).children.map(({ id }) => id)).toContain('c01');
    expect(find(after, supplyId).children.map(({ id }) => id)).not.toContain('c01');
    const unit = all(after).find(
      ({ kind, children }) => kind === 'gear' && children.some(({ id }) => id === 'c01'),
    )!;
    expect(unit.watts).toBeGreaterThan(unit.children[0]!.watts);
    expect(unit.load!.used).toBeCloseTo(unit.children[0]!.watts, 9);
  });
  it('a new camera that is fed where it hangs takes what it takes, not what the old one took', () => {
    const after = picture(choosing({ c23: 'wireless' }), 'after');
    // 4 MP: 5.5 W, and 2.5 W for its lamps where the old one had some.
    const lamps = demo.camera['c23']!.lamps === 'none' ? 0 : 2.5;
    expect(find(after, 'at-cameras').children.find(({ id }) => id === 'c23')!.watts).toBeCloseTo(
      5.5 + lamps,
      9,
    );
  });
  it('a heater that stays on the old pair goes on being drawn of its box', () => {
    const kept = Object.values(demo.camera).flatMap(({ id }) => {
      const { runs } = evaluateSite(choosing({ [id]: 'ip-coax-unit' }));
      const option = runs
        .find(({ camera }) => camera.id === id)!
        .options.find((one) => one.kind === 'ip-coax-unit')!;
      return option.state !== 'no' && option.draws ? [{ id, draws: option.draws }] : [];
    });
    expect(kept.length).toBeGreaterThan(0);
    for (const { id, draws } of kept) {
      const after = picture(choosing({ [id]: 'ip-coax-unit' }), 'after');
      expect(find(after, draws.supplyId).children.map((child) => child.id)).toContain(`${id}-heater`);
      expect(cameras(after).filter((one) => one === id)).toHaveLength(1);
    }
  });
  it('what goes is there until all is done', () => {
    const goes = { ...demo.equipment['hall-monitor']!, goes: true as const };
    const site = { ...demo, equipment: { ...demo.equipment, 'hall-monitor': goes } };
    const has = (moment: 'today' | 'after'): boolean =>
      all(picture(site, moment)).some(({ id }) => id === 'hall-monitor');
    expect([has('today'), has('after')]).toEqual([true, false]);
  });
});
