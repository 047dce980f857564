import { computed, ref } from 'vue';
import { tryPlacement, type BrokenRule, type SlotNeed } from '#core/recorder';
import type { Change, Recorder } from '#core/site';
import { useEvaluation } from '../../stores/evaluation';
import { useSite } from '../../stores/site';

export interface SlotAddress { recorderId: string; slot: number }

/** Why a drop was not made, with the way to make it all the same where there is one. */
export interface Held { need: SlotNeed; at: SlotAddress; broken: BrokenRule[]; canForce: boolean }

/** A camera in hand between the tray and the slots, by mouse or by keys. */
export function useCarry() {
  const store = useSite();
  const evaluation = useEvaluation();
  const carried = ref<string | null>(null);
  const held = ref<Held | null>(null);

  const allocation = computed(() => evaluation.result!.allocation);
  const need = (cameraId: string): SlotNeed | undefined => allocation.value.needs[cameraId];
  const recorder = (id: string): Recorder => store.site!.recorder[id]!;

  /** The rules that a camera would break on a slot. */
  function brokenAt(cameraId: string, { recorderId, slot }: SlotAddress): BrokenRule[] {
    const wanted = need(cameraId);
    return wanted ? tryPlacement(recorder(recorderId), allocation.value.occupied[recorderId] ?? [], wanted, slot) : [];
  }

  function place(cameraId: string, at: SlotAddress): void {
    const change: Change = { kind: 'placement', id: cameraId, set: { id: cameraId, recorderId: at.recorderId, slot: at.slot } };
    const wanted = need(cameraId)!;
    const problems = store.change(`Put ${wanted.number} ${wanted.name} on ${recorder(at.recorderId).name} ${at.slot}`, [change]);
    if (problems[0]) held.value = { need: wanted, at, canForce: false, broken: [{ rule: 'taken', slots: [at.slot], why: problems[0].allowed, remedy: 'Another slot.' }] };
    else carried.value = held.value = null;
  }

  /** Puts a camera on a slot, or says which rule stands against it. */
  function drop(cameraId: string, at: SlotAddress): void {
    const wanted = need(cameraId);
    if (!wanted) return;
    const broken = brokenAt(cameraId, at);
    if (broken.length === 0) return place(cameraId, at);
    const takenByPlan = broken.some(({ rule }) => rule === 'taken') && allocation.value.occupied[at.recorderId]!.some(({ slot, placed }) => placed && slot === at.slot);
    held.value = { need: wanted, at, broken, canForce: !takenByPlan };
  }

  function takeOff(cameraId: string): void {
    const wanted = need(cameraId);
    if (wanted && store.site!.placement[cameraId]) store.change(`Take ${wanted.number} ${wanted.name} off its slot`, [{ kind: 'placement', id: cameraId, remove: true }]);
    carried.value = held.value = null;
  }

  const force = () => held.value && place(held.value.need.cameraId, held.value.at);
  return { carried, held, brokenAt, drop, force, takeOff, need };
}
