<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { autoFill } from '#core/recorder';
import type { Change } from '#core/site';
import { useKeys } from '../../keys/keys';
import { useEvaluation } from '../../stores/evaluation';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';
import { useCarry, type SlotAddress } from './carry';
import RunLine from '../../line/RunLine.vue';
import RecorderRack from './RecorderRack.vue';
import WaitingTray from './WaitingTray.vue';

const store = useSite();
const evaluation = useEvaluation();
const selection = useSelection();
const carry = useCarry();
const at = ref<SlotAddress | null>(null);
const notes = ref<string[]>([]);

const allocation = computed(() => evaluation.result!.allocation);
const broken = computed(() => allocation.value.recorders.flatMap(({ broken: rules }) => rules));
const consequences = computed(() => allocation.value.recorders.flatMap((state) => state.consequences));
const slots = computed(() => allocation.value.recorders.flatMap(({ recorder, slots: rows }) => rows.map(({ slot }) => ({ recorderId: recorder.id, slot }))));
/** Where the run in hand is plugged: its planned slot, else the input it is on today. */
const plug = computed(() => {
  const { current } = selection;
  const placement = current && store.site!.placement[current.camera.id];
  if (placement) return `slot ${placement.slot}`;
  return current?.run.patchedTo ? `now ${current.run.patchedTo.input}` : 'no slot';
});
const runOf = (cameraId: string) => evaluation.result!.runs.find(({ camera }) => camera.id === cameraId)?.run.id;

function pickUp(cameraId: string): void {
  carry.held.value = null;
  carry.carried.value = carry.carried.value === cameraId ? null : cameraId;
  const runId = runOf(cameraId);
  if (runId) void selection.select(runId);
  if (carry.carried.value && !at.value) at.value = slots.value[0] ?? null;
}
function onSlot(address: SlotAddress): void {
  at.value = address;
  if (carry.carried.value) return carry.drop(carry.carried.value, address);
  const occupant = allocation.value.occupied[address.recorderId]?.find(({ slot }) => slot === address.slot);
  if (occupant) pickUp(occupant.need.cameraId);
}
function move(by: number): void {
  const index = slots.value.findIndex(({ recorderId, slot }) => recorderId === at.value?.recorderId && slot === at.value.slot);
  at.value = slots.value[Math.min(slots.value.length - 1, Math.max(0, index + by))] ?? null;
}
/** Enter picks up the camera in hand on the left, or puts down the one that is carried. */
function enter(): void {
  if (carry.carried.value && at.value) return carry.drop(carry.carried.value, at.value);
  const cameraId = selection.current?.camera.id;
  if (cameraId && carry.need(cameraId)) pickUp(cameraId);
}

function fill(): void {
  const recorders = allocation.value.recorders.map(({ recorder }) => recorder);
  const { placements, notes: said } = autoFill(recorders, allocation.value.occupied, allocation.value.waiting);
  notes.value = said;
  carry.carried.value = carry.held.value = null;
  if (placements.length > 0) store.change(`Fill ${placements.length} slot${placements.length === 1 ? '' : 's'}`, placements.map((set): Change => ({ kind: 'placement', id: set.id, set })));
}
watch(() => allocation.value.waiting.length, (count) => {
  if (count > 0 && notes.value.every((note) => !note.includes('found no'))) notes.value = [];
});

useKeys([
  { keys: ['ArrowRight'], says: 'next slot', group: 'Allocate', run: () => move(1) },
  { keys: ['ArrowLeft'], says: 'slot before', group: 'Allocate', run: () => move(-1) },
  { keys: ['Enter'], says: 'pick up, put down', group: 'Allocate', run: enter },
  { keys: ['f'], says: 'fill the rest', group: 'Allocate', run: fill },
  { keys: ['Backspace', 'x'], says: 'take off its slot', group: 'Allocate', run: () => { if (selection.current) carry.takeOff(carry.carried.value ?? selection.current.camera.id); } },
  { keys: ['Escape'], says: 'put back', group: 'Allocate', run: () => { carry.carried.value = carry.held.value = null; } },
]);
</script>

<template>
  <div v-if="allocation.recorders.length === 0" class="empty"><strong>No recorder is noted on this site.</strong>Note it in Survey with <kbd>b</kbd>; then its slots show here.</div>
  <div v-else class="allocate">
    <div class="row">
      <h1>Allocate</h1>
      <span class="dim">{{ allocation.waiting.length === 0 ? 'no decided camera waits for a slot' : `${allocation.waiting.length} decided, without a slot` }}</span>
      <span class="push" />
      <button type="button" class="btn go" :disabled="allocation.waiting.length === 0" @click="fill">Fill the rest <kbd>f</kbd></button>
    </div>
    <WaitingTray :waiting="allocation.waiting" :carried="carry.carried.value" @pick="pickUp" />
    <div v-if="carry.held.value" class="held" role="alert">
      <h3>Not put there</h3>
      <p v-for="rule in carry.held.value.broken" :key="rule.why">{{ rule.why }} <span class="remedy">Legal: {{ rule.remedy }}</span></p>
      <div class="row"><button v-if="carry.held.value.canForce" type="button" class="btn small" @click="carry.force()">Put it there anyway</button><button type="button" class="btn small" @click="carry.held.value = null">Leave it</button></div>
    </div>
    <RecorderRack
      v-for="state in allocation.recorders" :key="state.recorder.id" :state="state" :place="store.site!.place[state.recorder.placeId]?.name ?? ''" :at="at" :carried="carry.carried.value"
      :here="selection.current?.camera.id ?? null" :broken-at="(cameraId, slot) => carry.brokenAt(cameraId, { recorderId: state.recorder.id, slot })"
      @slot="(slot) => onSlot({ recorderId: state.recorder.id, slot })" @drop="(cameraId, slot) => carry.drop(cameraId, { recorderId: state.recorder.id, slot })"
    />
    <RunLine v-if="selection.current" :evaluation="selection.current" :head-end="plug" :camera-end="selection.current.camera.name" />
    <div class="below">
      <section v-if="broken.length > 0" class="broken" aria-label="Broken rules">
        <h3>Broken rules</h3>
        <p v-for="rule in broken" :key="rule.why">{{ rule.why }} <span class="remedy">Legal: {{ rule.remedy }}</span></p>
      </section>
      <section v-if="consequences.length + notes.length > 0">
        <h3>What it takes</h3>
        <p v-for="text in new Set([...notes, ...consequences])" :key="text" class="tiny">{{ text }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.allocate { height: 100%; overflow: hidden auto; display: flex; flex-direction: column; gap: 10px; scrollbar-width: thin; }
.allocate > * { flex: none; }
.held { border-left: 4px solid var(--madder); background: var(--sheet); padding: 8px 12px; display: grid; gap: 6px; }
.remedy { color: var(--verdigris); }
.below { display: grid; grid-template-columns: repeat(auto-fit, minmax(320px, 1fr)); gap: 18px; }
.broken { border-left: 4px solid var(--madder); padding-left: 12px; }
.below p { padding: 2px 0; }
</style>
