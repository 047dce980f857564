import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import {
  cutoverSettingsOf,
  setAllocationSettings,
  withChanges,
  type Change,
  type Site,
} from '#core/model/site';
import { saltmarrowUnshared } from '../model/site/testSite';
import { cutoverOf } from './cutoverOf';
import { evaluateSite } from './evaluateSite';
import { tasksNow } from './nightsNow';

const highs = await loadHighs();
const demo = saltmarrowUnshared();
const ids = ['c23', 'c24'] as const;

/** Both gate cameras over one old coax, on these slots of the hall recorder; one of them must not wait. */
function gateCameras(slots: Record<(typeof ids)[number], number>, first: string[]): Site {
  const changes = ids.flatMap((id): Change[] => [
    { kind: 'choice', id, set: { id, option: 'field-coax', at: '2026-03-12T09:00:00Z', by: 'R. Tolland' } },
    { kind: 'placement', id, set: { id, recorderId: 'hall-recorder', slot: slots[id] } },
  ]);
  const site = withChanges(demo, changes);
  return withChanges(site, [setAllocationSettings(site, { first, perNight: 1 })]);
}

describe('cameras that go over one old coax', () => {
  const inputOf = (id: string) => Object.values(demo.run).find(({ cameraId }) => cameraId === id)!.patchedTo!;
  const [a, b] = ids.map((id) => inputOf(id).input) as [number, number];
  it.each<[string, Record<(typeof ids)[number], number>, string[]]>([
    ['on slots of their own', { c23: 21, c24: 22 }, []],
    ['each on its own input', { c23: a, c24: b }, []],
    ['each on the other’s input', { c23: b, c24: a }, []],
    ['of which one must not wait', { c23: b, c24: a }, ['c23']],
    ['of which the other must not wait', { c23: b, c24: a }, ['c24']],
  ])('%s are changed the one after the other, whose coax it is', (_, slots, first) => {
    const site = gateCameras(slots, first);
    const evaluation = evaluateSite(site);
    const { after } = evaluation.allocation;
    const [[last, [carrier]]] = Object.entries(after) as [[string, string[]]];
    expect([last, carrier].sort()).toEqual([...ids]);
    const { migration } = tasksNow(site, evaluation, null);
    const joins = migration.nights.flatMap(({ steps }) =>
      steps.flatMap((step) => (step.kind === 'join' ? [step.cameraId] : [])),
    );
    expect(joins.filter((id) => id === last || id === carrier)).toEqual([carrier, last]);
    const settings = cutoverSettingsOf(site, '2026-05-04');
    const { plan, mornings } = cutoverOf(highs, site, settings, { secondsLeft: () => 0 });
    expect(plan.kind).toBe('planned');
    expect(mornings.flatMap(({ broken }) => broken)).toEqual([]);
  });
});
