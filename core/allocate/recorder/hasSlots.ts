import type { Highs } from 'highs';
import type { Recorder } from '#core/model/site';
import { solve, withoutCosts } from '#core/solver';
import { slotModel } from './slotModel';
import type { SlotRequest, SlotWishes } from './slotRequest';

/**
 * Whether there is a slot for everyone who may move, under the recorders' rules and blocks; which slot is nobody's concern here, so it
 * is quicker than to allocate. One who may not move and whose input does not take it stays as it is.
 */
export function hasSlots(
  highs: Highs,
  recorders: readonly Recorder[],
  wanting: readonly SlotRequest[],
  blocks: SlotWishes['blocks'],
): boolean {
  const { programme, without } = slotModel(recorders, wanting, {
    numbers: 'any',
    share: 'building',
    blocks,
    spareSlots: 0,
  });
  const nobody = new Set(without);
  const { variables, rows } = withoutCosts(programme);
  const everyone = variables.map((one, index) => (nobody.has(index) ? { ...one, most: 0 } : one));
  return solve(highs, { variables: everyone, rows }).kind === 'proven';
}
