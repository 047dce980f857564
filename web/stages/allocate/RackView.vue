<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { SlottingScope } from '#core/evaluate';
import { moveInWords, type SlotAddress } from '#core/allocate/recorder';
import {
  demandsOf,
  removing,
  sameFacts,
  allocationSettingsOf,
  setAllocationSettings,
  type Demands,
  type AllocationSettings,
} from '#core/model/site';
import { useKeys } from '../../keys/keys';
import LeadLegend from './LeadLegend.vue';
import RunLine from '../../line/RunLine.vue';
import NumberPrompt from '../../parts/NumberPrompt.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { usePlanner } from '../../stores/planner';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';
import { useSlotDrag } from './slotDrag';
import RecorderRack from './RecorderRack.vue';
import WaitingTray from './WaitingTray.vue';

const store = useSite();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const selection = useSelection();
const planner = usePlanner();
const slotDrag = useSlotDrag();
const at = ref<SlotAddress | null>(null);
const notes = ref<string[]>([]);

const allocation = computed(() => summary.value.allocation);
const broken = computed(() => allocation.value.recorders.flatMap(({ broken: rules }) => rules));
const consequences = computed(() => allocation.value.recorders.flatMap((state) => state.consequences));
const slots = computed(() =>
  allocation.value.recorders.flatMap(({ recorder, slots: rows }) =>
    rows.map(({ slot }) => ({ recorderId: recorder.id, slot })),
  ),
);
const nameOf = (recorderId: string): string => openSite.value.recorder[recorderId]?.name ?? recorderId;
/** Where the run in hand is plugged: its planned slot, else the input it is on today. */
const plug = computed(() => {
  const { current } = selection;
  const placement = current && openSite.value.placement[current.camera.id];
  if (placement) return `slot ${placement.slot}`;
  return current?.run.patchedTo ? `now ${current.run.patchedTo.input}` : 'no slot';
});
const runOf = (cameraId: string) => summary.value.runs.find(({ camera }) => camera.id === cameraId)?.run.id;
const selectRun = (cameraId: string): void => {
  const runId = runOf(cameraId);
  if (runId) void selection.select(runId);
};

/** Picks a camera up or puts it back; with others where they are picked together. */
function pickUp(cameraId: string, together = false): void {
  const wasCarried = slotDrag.carried.value.includes(cameraId);
  if (!together) slotDrag.letGo();
  if (together || !wasCarried) slotDrag.toggle(cameraId);
  selectRun(cameraId);
  if (slotDrag.carried.value.length > 0 && !at.value) at.value = slots.value[0] ?? null;
}
const occupantAt = (address: SlotAddress) =>
  allocation.value.occupied[address.recorderId]?.find(({ slot }) => slot === address.slot);
function onSlot(address: SlotAddress, together = false): void {
  at.value = address;
  if (slotDrag.carried.value.length > 0 && !together) return slotDrag.drop(slotDrag.carried.value, address);
  const occupant = occupantAt(address);
  if (occupant) pickUp(occupant.need.cameraId, together);
}
/** A tag that is dragged takes the others along that were picked with it. */
function onDrop(cameraId: string, address: SlotAddress): void {
  slotDrag.drop(slotDrag.carried.value.includes(cameraId) ? slotDrag.carried.value : [cameraId], address);
}
const asksSlot = ref(false);
/** The recorder that a slot is told of by its number alone: where the arrows stand, where the camera is, else the first. */
const numbered = computed(() => {
  const { current } = selection;
  const id =
    at.value?.recorderId ??
    (current && openSite.value.placement[current.camera.id]?.recorderId) ??
    current?.run.patchedTo?.recorderId;
  return (
    allocation.value.recorders.find(({ recorder }) => recorder.id === id) ?? allocation.value.recorders[0]
  );
});
function placeOn(slot: number): void {
  const cameraId = selection.current?.camera.id;
  if (!numbered.value || !cameraId) return;
  at.value = { recorderId: numbered.value.recorder.id, slot };
  slotDrag.drop([cameraId], at.value);
}
function move(by: number): void {
  const index = slots.value.findIndex(
    ({ recorderId, slot }) => recorderId === at.value?.recorderId && slot === at.value.slot,
  );
  at.value = slots.value[Math.min(slots.value.length - 1, Math.max(0, index + by))] ?? null;
}
/** Enter picks up the camera in hand on the left, or puts down what is carried. */
function enter(): void {
  if (slotDrag.carried.value.length > 0 && at.value) return slotDrag.drop(slotDrag.carried.value, at.value);
  const cameraId = selection.current?.camera.id;
  if (cameraId && slotDrag.need(cameraId)) pickUp(cameraId);
}
/** The camera on the slot that the arrows stand on joins those in hand; without one there, the run in hand does. */
function pickTogether(): void {
  const cameraId = (at.value && occupantAt(at.value)?.need.cameraId) ?? selection.current?.camera.id;
  if (cameraId && slotDrag.need(cameraId)) pickUp(cameraId, true);
}

async function give(scope: SlottingScope): Promise<void> {
  slotDrag.letGo();
  const site = store.site;
  const found = await planner.slots(scope);
  if (!found) return;
  const without = found.without.map((number) => `Camera ${number} finds no slot that takes it.`);
  notes.value = [
    ...without,
    ...found.moves.map((one) => moveInWords(one, nameOf)),
    ...(found.proven ? [] : ['The best that was found in the time; not proven.']),
  ];
  // Whoever changed something meanwhile asks again; an edit that was only answered changed nothing.
  if (!site || !store.site || !sameFacts(site, store.site))
    notes.value = ['The site changed meanwhile. Ask again.'];
  else if (found.changes.length > 0)
    store.change(
      scope === 'rest'
        ? `Give ${found.changes.length} slot${found.changes.length === 1 ? '' : 's'}`
        : 'Reassign all',
      found.changes,
    );
  else if (without.length === 0) notes.value = ['Every camera is on its best slot already.'];
}
const clearLeftOver = () =>
  store.change(
    'Free the slots of retired cameras',
    allocation.value.leftOver.map(({ id }) => removing('placement', id)),
  );
const wishes = computed(() => allocationSettingsOf(openSite.value));
const wish = (what: string, fields: Partial<AllocationSettings>) =>
  store.change(what, [setAllocationSettings(openSite.value, fields)]);
const demands = computed(() => demandsOf(openSite.value));
const demand = (what: string, fields: Partial<Demands>) =>
  store.change(what, [{ kind: 'demands', id: 'demands', set: { ...demands.value, ...fields } }]);
watch(
  () => store.id,
  () => {
    notes.value = [];
  },
);

useKeys([
  { keys: ['ArrowRight'], label: 'next slot', group: 'Rack', run: () => move(1) },
  { keys: ['ArrowLeft'], label: 'slot before', group: 'Rack', run: () => move(-1) },
  { keys: ['Enter'], label: 'pick up, put down', group: 'Rack', run: enter },
  {
    keys: ['n'],
    label: 'place the run in hand by the number of a slot',
    group: 'Rack',
    run: () => {
      const cameraId = selection.current?.camera.id;
      asksSlot.value = cameraId !== undefined && slotDrag.need(cameraId) !== undefined;
    },
  },
  { keys: [' '], label: 'pick several together', group: 'Rack', run: pickTogether },
  { keys: ['f'], label: 'fill the rest', group: 'Rack', run: () => void give('rest') },
  { keys: ['a'], label: 'allocate all anew', group: 'Rack', run: () => void give('all') },
  {
    keys: ['Backspace', 'x'],
    label: 'take off its slot',
    group: 'Rack',
    run: () => {
      if (selection.current)
        slotDrag.takeOff(
          slotDrag.carried.value.length > 0 ? slotDrag.carried.value : [selection.current.camera.id],
        );
    },
  },
  { keys: ['Escape'], label: 'put back', group: 'Rack', run: slotDrag.letGo },
]);
</script>

<template>
  <div class="rack-view">
    <div class="row acts">
      <WaitingTray
        class="tray"
        :waiting="allocation.waiting"
        :carried="slotDrag.carried.value"
        @pick="pickUp"
      />
      <span class="wish"
        ><span class="dim tiny">Slot order</span>
        <PickField
          :value="wishes.numbers"
          :choices="[
            { value: 'keep', label: 'slot = camera number' },
            { value: 'any', label: 'any number' },
          ]"
          label="Slot order"
          @take="(numbers) => wish('Numbers of slots', { numbers })"
      /></span>
      <span class="wish"
        ><span class="dim tiny">Split by</span>
        <PickField
          :value="wishes.share"
          :choices="[
            { value: 'building', label: 'building' },
            { value: 'load', label: 'load' },
          ]"
          label="Split by"
          @take="(share) => wish('How recorders share', { share })"
      /></span>
      <span class="wish"
        ><span class="dim tiny">Grouping</span>
        <PickField
          :value="demands.policies.blocks"
          :choices="[
            { value: 'mix', label: 'families mixed' },
            { value: 'separate', label: 'blocks of four' },
          ]"
          label="Grouping"
          @take="(blocks) => demand('Blocks', { policies: { ...demands.policies, blocks } })"
      /></span>
      <span class="spare"
        ><QuantityField
          :value="demands.spareSlots"
          unit=""
          label="Spare slots"
          :allowed="fitting('demands', 'spareSlots')"
          @take="(spareSlots) => demand('Spare slots', { spareSlots })"
        /><span class="dim tiny">to spare</span></span
      >
      <button
        type="button"
        class="btn go"
        :disabled="allocation.waiting.length === 0 || planner.busy === 'slots'"
        @click="give('rest')"
      >
        Fill the rest <kbd>f</kbd>
      </button>
      <button type="button" class="btn" :disabled="planner.busy === 'slots'" @click="give('all')">
        Reassign all <kbd>a</kbd>
      </button>
    </div>
    <p v-if="planner.busy === 'slots'" class="dim" role="status">
      Looking for the best slots <button type="button" class="btn small" @click="planner.stop">Stop</button>
    </p>
    <p v-if="planner.trouble" class="stop" role="alert">{{ planner.trouble }}</p>
    <div v-if="slotDrag.held.value" class="held" role="alert">
      <h3>Not put there</h3>
      <p v-for="rule in slotDrag.held.value.broken" :key="rule.why">
        {{ rule.why }} <span class="remedy">Legal: {{ rule.remedy }}</span>
      </p>
      <div class="row">
        <button v-if="slotDrag.held.value.canForce" type="button" class="btn small" @click="slotDrag.force()">
          Put it there anyway</button
        ><button type="button" class="btn small" @click="slotDrag.held.value = null">Cancel</button>
      </div>
    </div>
    <RecorderRack
      v-for="state in allocation.recorders"
      :key="state.recorder.id"
      :state="state"
      :needs="allocation.needs"
      :place="openSite.place[state.recorder.placeId]?.name ?? ''"
      :at="at"
      :carried="slotDrag.carried.value"
      :here="selection.current?.camera.id ?? null"
      :broken-at="(slot) => slotDrag.brokenAt({ recorderId: state.recorder.id, slot })"
      @slot="(slot, together) => onSlot({ recorderId: state.recorder.id, slot }, together)"
      @drop="(cameraId, slot) => onDrop(cameraId, { recorderId: state.recorder.id, slot })"
      @run="selectRun"
    />
    <NumberPrompt
      v-if="asksSlot && numbered && selection.current"
      :label="`Slot for camera ${selection.current.camera.number} in ${numbered.recorder.name}`"
      :most="Math.max(...numbered.slots.map(({ slot }) => slot))"
      @take="placeOn"
      @leave="asksSlot = false"
    />
    <p class="tiny dim">
      <LeadLegend /> Several cameras: <kbd>space</kbd> or a click with Shift. By number: <kbd>n</kbd>, the
      slot, <kbd>Enter</kbd>.
    </p>
    <RunLine
      v-if="selection.current"
      :evaluation="selection.current"
      :head-end="plug"
      :camera-end="selection.current.camera.name"
    />
    <div class="below">
      <section v-if="broken.length + allocation.leftOver.length > 0" class="broken" aria-label="Broken rules">
        <h3>Broken rules</h3>
        <p v-for="rule in broken" :key="rule.why">
          {{ rule.why }} <span class="remedy">Legal: {{ rule.remedy }}</span>
        </p>
        <p v-if="allocation.leftOver.length > 0">
          Kept for cameras that are retired:
          {{
            allocation.leftOver
              .map(
                ({ id, recorderId, slot }) =>
                  `${nameOf(recorderId)} ${slot} for ${openSite.camera[id]?.number}`,
              )
              .join('; ')
          }}. <button type="button" class="btn small" @click="clearLeftOver">Free them</button>
        </p>
      </section>
      <section v-if="consequences.length + notes.length > 0" aria-label="What it takes">
        <h3>What it takes</h3>
        <p v-for="text in new Set([...consequences, ...notes])" :key="text" class="tiny">{{ text }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.rack-view {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.rack-view > * {
  flex: none;
}
.acts {
  gap: 8px;
  flex-wrap: wrap;
}
.wish {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.tray {
  flex: 1 0 100%;
}
.spare {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  white-space: nowrap;
}
.spare :deep(.quantity) {
  width: 46px;
}
.spare :deep(.unit) {
  display: none;
}
.held {
  border-left: 4px solid var(--madder);
  background: var(--sheet);
  padding: 8px 12px;
  display: grid;
  gap: 6px;
}
.remedy {
  color: var(--verdigris);
}
.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 18px;
}
.broken {
  border-left: 4px solid var(--madder);
  padding-left: 12px;
}
.below p {
  padding: 2px 0;
}
</style>
