import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { Equipment, Run, Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import { totalOf, type FeasibleOption, type Option } from '.';

const demo = saltmarrowUnshared();
/** Camera 20 hangs on category cable, on pairs of its own, at the end of so many metres at 20 °C. */
function withLength(lengthM: number, over: Partial<Run> = {}): Site {
  const { reading: _, ...bare } = demo;
  const run = demo.run['r20']!;
  const segments = [{ ...run.segments[0]!, lengthM, temperatureC: 20, spreadM: 0 }];
  return { ...bare, reading: {}, run: { ...demo.run, r20: { ...run, segments, ...over } } };
}
const optionOf = (at: Site, kind: Option['kind'] = 'long-reach', cameraId = 'c20'): Option =>
  evaluateSite(at)
    .runs.find(({ camera }) => camera.id === cameraId)!
    .options.find((option) => option.kind === kind)!;
const feasible = (at: Site, kind?: Option['kind']): FeasibleOption => {
  const option = optionOf(at, kind);
  if (option.state === 'no') throw new Error(option.why);
  return option;
};
const margin = ({ margins }: FeasibleOption, kind: string) => margins.find((one) => one.kind === kind)!;

describe('a port that reaches further', () => {
  it('goes where Ethernet does not, and never simply holds', () => {
    expect(feasible(withLength(180), 'ip-category').state).toBe('fails');
    const far = feasible(withLength(180));
    expect(far.state).toBe('close');
    expect(margin(far, 'channel')).toMatchObject({ value: 180, utilisation: 180 / 250, status: 'close' });
    expect(feasible(withLength(60)).state).toBe('close');
  });
  it('fails past its reach, and where the camera streams more than it carries', () => {
    expect(margin(feasible(withLength(260)), 'channel').status).toBe('fails');
    const fast: Site = {
      ...withLength(120),
      stream: { c20: { id: 'c20', mainMbps: 9 } },
    };
    // Four fifths of 10 Mb/s are used at most.
    expect(margin(feasible(fast), 'link-rate')).toMatchObject({ value: 8, status: 'fails' });
  });
  it('carries the watts that the loop of all its metres leaves', () => {
    const [near, far] = [feasible(withLength(100)), feasible(withLength(240))];
    expect(margin(far, 'watts').value).toBeLessThanOrEqual(margin(near, 'watts').value);
    expect(far.shared).toMatchObject({ of: 'long-reach-switch', placeId: demo.run['r20']!.headEndId });
  });
  it('is bought apart from other switches, and uses one that is there', () => {
    const option = feasible(withLength(150));
    const parts = (at: Site) => totalOf(at, [option]).shared.map((group) => group.parts);
    expect(parts(withLength(150))).toEqual([[{ item: 'long-reach-switch-8', count: 1 }]]);
    const there: Equipment = {
      id: 'far-switch',
      name: 'Long-reach switch',
      placeId: option.shared!.placeId,
      gear: {
        kind: 'switch',
        ports: 4,
        poePorts: 4,
        poeWatts: 60,
        uplinkMbps: 100,
        reach: { metres: 200, mbps: 10 },
      },
    };
    const equipped: Site = {
      ...withLength(150),
      equipment: { ...demo.equipment, [there.id]: there },
      choice: { c20: { id: 'c20', option: 'long-reach', at: '2026-04-01T09:00:00Z', by: 'R. Tolland' } },
      placement: { c20: { id: 'c20', recorderId: 'hall-recorder', slot: 17 } },
    };
    expect(parts(equipped)).toEqual([[]]);
    const { topology } = networkAt(equipped, evaluateSite(equipped), { kind: 'after' });
    expect(topology.cameras.find(({ cameraId }) => cameraId === 'c20')!.deviceId).toBe('far-switch');
    // It reaches less far than what could be bought.
    expect(margin(feasible(equipped), 'channel').utilisation).toBeCloseTo(150 / 200, 9);
  });
  it('is none where there is no category cable', () => {
    const option = optionOf(demo, 'long-reach', 'c01');
    expect(option.state === 'no' && option.why).toMatch(/no category cable/);
  });
});
