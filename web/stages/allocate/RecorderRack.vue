<script setup lang="ts">
import { rulesInWords, type BrokenRule, type SlotNeed } from '#core/model/slotRules';
import { computed } from 'vue';
import type { RecorderState, SlotAddress } from '#core/allocate/recorder';
import { formatQuantity } from '#core/shared/units';
import MarginBar from '../../parts/MarginBar.vue';
import LeadStrip from './LeadStrip.vue';
import SlotCell from './SlotCell.vue';

/** A recorder as rows of slots under its leads, with how much of its limits is used. */
const { state, carried, brokenAt } = defineProps<{
  state: RecorderState;
  needs: Readonly<Record<string, SlotNeed>>;
  place: string;
  at: SlotAddress | null;
  carried: readonly string[];
  here: string | null;
  brokenAt: (slot: number) => BrokenRule[];
}>();
const emit = defineEmits<{
  slot: [slot: number, together: boolean];
  drop: [cameraId: string, slot: number];
  run: [cameraId: string];
}>();

const ruleWords = computed(() => rulesInWords(state.recorder));
const badSlots = computed(() => new Set(state.broken.flatMap(({ slots }) => slots)));
</script>

<template>
  <section class="rack" :data-recorder="state.recorder.id">
    <div class="row">
      <h2>{{ state.recorder.name }}</h2>
      <span class="dim tiny">{{ place }}; {{ ruleWords }}</span
      ><span class="push" />
      <span v-for="load in state.loads" :key="load.label" class="limit tiny"
        ><MarginBar :utilisation="load.utilisation" :state="load.status" :width="44" />
        {{ formatQuantity(load.used, load.unit, 0) }} of {{ formatQuantity(load.most, load.unit, 0) }}
        {{ load.label }}</span
      >
    </div>
    <LeadStrip :state="state" :needs="needs" :here="here" @pick="(cameraId) => emit('run', cameraId)" />
    <div class="slots" role="list" :aria-label="`Slots of ${state.recorder.name}`">
      <SlotCell
        v-for="slot in state.slots"
        :key="slot.slot"
        :slot-state="slot"
        :focused="at?.recorderId === state.recorder.id && at.slot === slot.slot"
        :here="here"
        :carried="carried"
        :broken="badSlots.has(slot.slot)"
        :legal="carried.length > 0 ? brokenAt(slot.slot).length === 0 : null"
        @pick="(together: boolean) => emit('slot', slot.slot, together)"
        @drop="(cameraId: string) => emit('drop', cameraId, slot.slot)"
      />
    </div>
  </section>
</template>

<style scoped>
.rack {
  border-top: 1px solid var(--rule-strong);
  padding-top: 6px;
}
.limit {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  color: var(--ink-2);
}
.slots {
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  gap: 3px;
  padding-top: 2px;
}
@media (max-width: 700px) {
  .slots {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .row {
    flex-wrap: wrap;
  }
}
</style>
