import { changedAfter } from '#core/cutover/tasks';
import type { Occupant, SlotNeed } from '#core/model/slotRules';
import { recorderState, type RecorderState } from '#core/allocate/recorder';
import { sentToday, type Placement, type Site } from '#core/model/site';
import { networkCameraNeeds, type NetworkCameraNeed } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';

export interface Allocation {
  recorders: RecorderState[];
  occupied: Record<string, Occupant[]>;
  /** Decided cameras that have no slot yet, in the order of their numbers. */
  waiting: SlotNeed[];
  needs: Record<string, SlotNeed>;
  /** Slots that are still kept for cameras that have been retired since. */
  leftOver: Placement[];
  /** Cameras that are changed after others, with the ids of those. */
  after: Readonly<Record<string, readonly string[]>>;
}

/** What a camera asks of its slot: what was chosen for it, or until then the picture it sends today; nothing once it is retired. */
export function needOf(
  evaluation: Pick<RunEvaluation, 'camera' | 'run' | 'optionOf' | 'chosen'>,
): SlotNeed | undefined {
  const { camera, run } = evaluation;
  const option = chosenOption(evaluation);
  const signal = option?.signal ?? { kind: 'coax' as const, ...sentToday(camera) };
  if (signal.kind === 'none') return undefined;
  // Only a port at the head end can be one of the recorder's own.
  const port = option?.shared;
  const portWatts = port?.of === 'poe-switch' && port.placeId === run.headEndId ? port.sourceWatts : 0;
  return {
    cameraId: camera.id,
    number: camera.number,
    name: camera.name,
    patchedTo: run.patchedTo,
    placeId: run.headEndId,
    portWatts,
    signal,
  };
}

/** What a camera of the network asks of its slot. */
export const needOfNetworkCamera = ({ camera, fact, signal }: NetworkCameraNeed): SlotNeed => ({
  cameraId: camera.id,
  number: camera.number,
  name: camera.name,
  patchedTo: undefined,
  recordedAt: fact.recordedAt,
  placeId: camera.placeId,
  portWatts: 0,
  signal,
});

/** Who is on which slot: placed cameras, and others on the input or slot that they have today as long as they may stay there. */
export function allocationOf(site: Site, runs: readonly RunEvaluation[]): Allocation {
  const needs: Record<string, SlotNeed> = {};
  for (const evaluation of runs) {
    const need = needOf(evaluation);
    if (need) needs[evaluation.camera.id] = need;
  }
  const onNetwork = networkCameraNeeds(site).map(needOfNetworkCamera);
  for (const need of onNetwork) needs[need.cameraId] = need;
  const occupied: Record<string, Occupant[]> = Object.fromEntries(
    Object.keys(site.recorder).map((id) => [id, []]),
  );
  const waiting: SlotNeed[] = [];
  const leftOver: Placement[] = [];
  for (const evaluation of runs) {
    const { camera, run } = evaluation;
    const need = needs[camera.id];
    const placement = site.placement[camera.id];
    if (!need) {
      if (placement) leftOver.push(placement);
      continue;
    }
    if (placement) occupied[placement.recorderId]?.push({ need, slot: placement.slot, placed: true });
    // A choice that cannot be carried out is as good as none: it stays on its input.
    else if (chosenOption(evaluation)) waiting.push(need);
    else if (run.patchedTo)
      occupied[run.patchedTo.recorderId]?.push({ need, slot: run.patchedTo.input, placed: false });
  }
  for (const need of onNetwork) {
    const placement = site.placement[need.cameraId];
    const { recordedAt } = need;
    if (placement) occupied[placement.recorderId]?.push({ need, slot: placement.slot, placed: true });
    else if (recordedAt)
      occupied[recordedAt.recorderId]?.push({ need, slot: recordedAt.slot, placed: false });
    else waiting.push(need);
  }
  const recorders = Object.values(site.recorder).map((recorder) =>
    recorderState(recorder, occupied[recorder.id] ?? []),
  );
  return {
    recorders,
    occupied,
    needs,
    leftOver,
    waiting: waiting.sort((a, b) => a.number - b.number),
    after: changedAfter(runs),
  };
}
