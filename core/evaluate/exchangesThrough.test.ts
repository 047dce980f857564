import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { cutoverSettingsOf, withChanges, type OptionKind, type Site } from '#core/model/site';
import { saltmarrowUnshared } from '../model/site/testSite';
import { cutoverOf } from './cutoverOf';
import { evaluateSite } from './evaluateSite';
import { tasksNow } from './nightsNow';

const highs = await loadHighs();
const demo = saltmarrowUnshared();

/** The demo with one option for some cameras, each on the input that the next one of them has today. */
function inRing(option: OptionKind, ...ids: string[]): Site {
  const inputOf = (id: string) => Object.values(demo.run).find(({ cameraId }) => cameraId === id)!.patchedTo!;
  return withChanges(
    demo,
    ids.flatMap((id, index) => {
      const { recorderId, input } = inputOf(ids[(index + 1) % ids.length]!);
      return [
        { kind: 'choice', id, set: { id, option, at: '2026-03-12T09:00:00Z', by: 'R. Tolland' } },
        { kind: 'placement', id, set: { id, recorderId, slot: input } },
      ] as const;
    }),
  );
}

describe('cameras that exchange their inputs', () => {
  it.each<[string, OptionKind, string[]]>([
    ['two that are changed', 'hd-coax', ['c02', 'c03']],
    ['three that are changed', 'hd-coax', ['c01', 'c02', 'c03']],
    ['two whose leads alone move', 'keep', ['c01', 'c03']],
    ['four whose leads alone move', 'keep', ['c01', 'c03', 'c09', 'c04']],
  ])('%s are planned so that no morning has two on one input', (_, option, ids) => {
    const site = inRing(option, ...ids);
    const settings = cutoverSettingsOf(site, '2026-05-04');
    const { plan, mornings } = cutoverOf(highs, site, settings, { secondsLeft: () => 0 });
    expect(plan.kind).toBe('planned');
    expect(mornings.flatMap(({ broken }) => broken)).toEqual([]);
  });
  it('do it in the night of the first of them, who waits for none, and are told with whom', () => {
    const site = inRing('hd-coax', 'c01', 'c02', 'c03');
    const { tasks } = tasksNow(site, evaluateSite(site), null);
    const ring = tasks.filter(({ id }) => /^swap-c0[123]$/.test(id));
    const heads = ring.filter(({ sameNight }) => sameNight === null);
    expect([ring.length, heads.length]).toEqual([3, 1]);
    const [head] = heads;
    for (const { id, sameNight, needs, cautions } of ring) {
      if (id !== head!.id) expect([sameNight, needs.includes(head!.id)]).toEqual([head!.id, true]);
      expect(cautions.join(' ')).toMatch(/Inputs are exchanged in this night, of cameras 1, 2 and 3/);
      expect(cautions.join(' ')).not.toMatch(/turns to IP under it/);
    }
    expect(head!.needs.filter((id) => id.startsWith('swap'))).toEqual([]);
  });
});
