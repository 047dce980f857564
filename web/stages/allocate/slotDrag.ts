import type { BrokenRule, SlotNeed } from '#core/model/slotRules';
import { computed, ref } from 'vue';
import { tryPlacement, tryRow, type SlotAddress } from '#core/allocate/recorder';
import type { Change, Recorder } from '#core/model/site';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** Why a drop was not made, with the way to make it all the same where there is one. */
export interface Held {
  need: SlotNeed;
  at: SlotAddress;
  broken: BrokenRule[];
  canForce: boolean;
}

/** Cameras in hand between the tray and the slots, by mouse or by keys: one, or several that were picked together. */
export function useSlotDrag() {
  const store = useSite();
  const openSite = useOpenSite();
  const summary = useOpenEvaluation();
  const carried = ref<string[]>([]);
  const held = ref<Held | null>(null);

  const allocation = computed(() => summary.value.allocation);
  const need = (cameraId: string): SlotNeed | undefined => allocation.value.needs[cameraId];
  const recorder = (id: string): Recorder => openSite.value.recorder[id]!;
  const occupants = (recorderId: string) => allocation.value.occupied[recorderId] ?? [];

  /** The rules that the cameras in hand would break on a slot: the first of them there, the others after it. */
  function brokenAt({ recorderId, slot }: SlotAddress): BrokenRule[] {
    const needs = carried.value.flatMap((id) => need(id) ?? []);
    const [only] = needs;
    if (!only) return [];
    if (needs.length === 1) return tryPlacement(recorder(recorderId), occupants(recorderId), only, slot);
    return tryRow(recorder(recorderId), occupants(recorderId), needs, slot).refused?.broken ?? [];
  }

  function letGo(): void {
    carried.value = [];
    held.value = null;
  }

  function place(on: readonly { need: SlotNeed; slot: number }[], recorderId: string): void {
    const changes = on.map((one): Change => ({
      kind: 'placement',
      id: one.need.cameraId,
      set: { id: one.need.cameraId, recorderId, slot: one.slot },
    }));
    const [first] = on;
    if (!first) return;
    const label =
      on.length === 1
        ? `Put ${first.need.number} ${first.need.name} on ${recorder(recorderId).name} ${first.slot}`
        : `Put ${on.length} cameras on ${recorder(recorderId).name}`;
    const problems = store.change(label, changes);
    if (problems[0])
      held.value = {
        need: first.need,
        at: { recorderId, slot: first.slot },
        canForce: false,
        broken: [{ rule: 'taken', slots: [first.slot], why: problems[0].allowed, remedy: 'Another slot.' }],
      };
    else letGo();
  }

  /** Puts cameras on a slot and those after it, or says which rule stands against the first that does not fit. */
  function drop(cameraIds: readonly string[], at: SlotAddress): void {
    const needs = cameraIds.flatMap((id) => need(id) ?? []);
    const [only] = needs;
    if (!only) return;
    const { recorderId } = at;
    if (needs.length > 1) {
      const { on, refused } = tryRow(recorder(recorderId), occupants(recorderId), needs, at.slot);
      if (!refused) return place(on, recorderId);
      held.value = {
        need: refused.need,
        at: { recorderId, slot: refused.slot },
        broken: refused.broken,
        canForce: false,
      };
      return;
    }
    const broken = tryPlacement(recorder(recorderId), occupants(recorderId), only, at.slot);
    if (broken.length === 0) return place([{ need: only, slot: at.slot }], recorderId);
    const takenByPlan =
      broken.some(({ rule }) => rule === 'taken') &&
      occupants(recorderId).some(({ slot, placed }) => placed && slot === at.slot);
    held.value = { need: only, at, broken, canForce: !takenByPlan };
  }

  function takeOff(cameraIds: readonly string[]): void {
    const placed = cameraIds.filter((id) => openSite.value.placement[id]);
    const [first] = placed.flatMap((id) => need(id) ?? []);
    if (first)
      store.change(
        placed.length === 1
          ? `Take ${first.number} ${first.name} off its slot`
          : `Take ${placed.length} cameras off their slots`,
        placed.map((id): Change => ({ kind: 'placement', id, remove: true })),
      );
    letGo();
  }

  function toggle(cameraId: string): void {
    held.value = null;
    carried.value = carried.value.includes(cameraId)
      ? carried.value.filter((id) => id !== cameraId)
      : [...carried.value, cameraId];
  }

  const force = () =>
    held.value && place([{ need: held.value.need, slot: held.value.at.slot }], held.value.at.recorderId);
  return { carried, held, brokenAt, drop, force, takeOff, toggle, letGo, need };
}
