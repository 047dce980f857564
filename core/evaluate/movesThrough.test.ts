import fc from 'fast-check';
import loadHighs from 'highs';
import { expect, it } from 'vitest';
import type { SlotAddress } from '#core/allocate/recorder';
import { optionRow, withChanges, type Site } from '#core/model/site';
import { evaluateSite } from './evaluateSite';
import { tasksNow } from './nightsNow';
import { slotSite } from './slotAllocation';
import { decidedSaltmarrow } from './testDecided';

const highs = await loadHighs();
const decided = decidedSaltmarrow(highs);
const { runs } = evaluateSite(decided);

/** The demo with any option that can be had for each camera, on slots that take it, of which some have changed theirs with another of their kind. */
function siteOf(picks: readonly number[], exchanges: readonly (readonly [number, number])[]): Site {
  const site = withChanges(
    decided,
    runs.map(({ camera: { id }, options }, index) => {
      const can = options.filter(({ state }) => state !== 'no');
      const option = can[picks[index]! % can.length]!.kind;
      return { kind: 'choice', id, set: { id, option, at: '2026-03-12T09:00:00Z', by: 'R. Tolland' } };
    }),
  );
  const slotted = withChanges(site, slotSite(highs, site, evaluateSite(site).allocation, 'all').changes);
  return exchanges.reduce((at, [one, other]) => {
    const [a, b] = [one, other].map((index) => at.placement[runs[index % runs.length]!.camera.id]);
    if (!a || !b || optionRow(at.choice[a.id]!.option).slot !== optionRow(at.choice[b.id]!.option).slot)
      return at;
    return withChanges(at, [
      { kind: 'placement', id: a.id, set: { ...b, id: a.id } },
      { kind: 'placement', id: b.id, set: { ...a, id: b.id } },
    ]);
  }, slotted);
}

/** Options by which two cameras of one night ask the same lead to make way. */
const askedForByTwo = [0, 0, 0, 3, 0, 3, 0, 24, 25, 0, 0, 2, 4, 21, 2, 15, 3, 3, 4, 2, 0, 4, 4, 1];

const word = ({ recorderId, slot }: SlotAddress): string => `${recorderId} ${slot}`;

/** What a crew would find that does as the order of moves says: a lead that is not where it is said to be, or an input taken by two in a morning. */
function strayed(site: Site): string[] {
  const { migration } = tasksNow(site, evaluateSite(site), null);
  const at = new Map<string, string>();
  for (const { cameraId, patchedTo } of Object.values(site.run))
    if (patchedTo) at.set(cameraId, word({ recorderId: patchedTo.recorderId, slot: patchedTo.input }));
  for (const { id, recordedAt } of Object.values(site.networkCamera))
    if (recordedAt) at.set(id, word({ recorderId: recordedAt.recorderId, slot: recordedAt.slot }));
  return migration.nights.flatMap(({ steps }, night) => {
    const found = steps.flatMap((step) => {
      if (step.kind === 'turn') return [];
      const { cameraId, from } = step;
      const problems = [
        ...(from && at.get(cameraId) !== word(from) ? [`${cameraId} is not on ${word(from)}`] : []),
        ...(step.kind === 'repatch' && word(step.from) === word(step.to)
          ? [`${cameraId} moves nowhere`]
          : []),
      ];
      if (step.kind === 'unplug') at.delete(cameraId);
      else at.set(cameraId, word(step.to));
      return problems;
    });
    const taken = [...at.values()];
    const twice = taken.filter((one, index) => taken.indexOf(one) !== index);
    return [...found, ...twice.map((one) => `${one} is taken twice after night ${night + 1}`)];
  });
}

it(
  'every lead is where the order of moves says, and no input has two in a morning',
  { timeout: 240_000 },
  () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(30), { minLength: runs.length, maxLength: runs.length }),
        fc.array(fc.tuple(fc.nat(23), fc.nat(23)), { maxLength: 12 }),
        (picks, exchanges) => {
          expect(strayed(siteOf(picks, exchanges))).toEqual([]);
        },
      ),
      { numRuns: 60, examples: [[askedForByTwo, [[21, 16]]]] },
    );
  },
);
