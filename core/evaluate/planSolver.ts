import type { Highs } from 'highs';
import { hasSlots, type SlotRequest } from '#core/allocate/recorder';
import { boughtRecorders, type PlanSolver } from '#core/decide/plan';
import { networkCameraNeeds, type NetworkCameraNeed } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { OptionKind, Site } from '#core/model/site';
import { needOf, needOfNetworkCamera } from './allocation';

/** A camera as it asks for any slot that takes it; one that a plan leaves out keeps its input. */
function requestOf({ camera, run, optionOf }: RunEvaluation, planned: OptionKind | undefined): SlotRequest[] {
  const need = needOf({ camera, run, optionOf, chosen: planned ?? null });
  if (!need) return [];
  if (planned === undefined) return need.patchedTo ? [{ need, placed: undefined, mayMove: false }] : [];
  // Which slot it is on today, or would like best, is no matter of whether there is one; power comes from the units that the plan buys.
  const anySlot = { ...need, number: 0, patchedTo: undefined, portWatts: 0 };
  return [{ need: anySlot, placed: undefined, mayMove: true }];
}

/** A camera of the network: one that is there stays on its slot, a new view takes any. */
function requestOnNetwork({ placement }: Pick<Site, 'placement'>, one: NetworkCameraNeed): SlotRequest {
  const need = { ...needOfNetworkCamera(one), number: 0 };
  const kept = one.fact.state === 'there' ? (placement[one.camera.id] ?? need.recordedAt) : undefined;
  return kept
    ? { need, placed: { recorderId: kept.recorderId, slot: kept.slot }, mayMove: false }
    : { need, placed: undefined, mayMove: true };
}

/** Plans worked out with this solver, each held against the slots of the recorders before it counts. */
export const planSolver = (highs: Highs): PlanSolver => ({
  highs,
  findsSlots: ({ site, demands, runs }, { options, buys }) => {
    const wanting = [
      ...runs.flatMap((evaluation) => requestOf(evaluation, options[evaluation.camera.id])),
      ...networkCameraNeeds(site).map((one) => requestOnNetwork(site, one)),
    ];
    const recorders = [...Object.values(site.recorder), ...boughtRecorders(site, { buys })];
    return hasSlots(highs, recorders, wanting, demands.policies.blocks);
  },
});
