<script setup lang="ts">
import { computed } from 'vue';
import { turnPin } from '#core/survey/drawing';
import {
  noteCamera,
  thingName,
  type Camera,
  type Change,
  type FactUpdate,
  type Pin,
  type Place,
  type Site,
} from '#core/model/site';
import FieldRow from '../../../parts/FieldRow.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import { within } from '../../../parts/within';
import LensFields from '../LensFields.vue';
import PlaceFields from '../PlaceFields.vue';

/** What stands in hand on the drawing: for a camera which way it looks and through which lens, for a place what it is like. */
const { site, pin } = defineProps<{ site: Site; pin: Pin }>();
const emit = defineEmits<{
  change: [label: string, changes: Change[]];
  remove: [pin: Pin];
  open: [runId: string];
}>();

const camera = computed<Camera | null>(() =>
  pin.of.kind === 'camera' ? (site.camera[pin.of.id] ?? null) : null,
);
const place = computed<Place | null>(() =>
  pin.of.kind === 'place' ? (site.place[pin.of.id] ?? null) : null,
);
const run = computed(
  () => Object.values(site.run).find(({ cameraId }) => cameraId === camera.value?.id) ?? null,
);
function note(what: string, fields: Partial<Camera>): void {
  if (camera.value)
    emit('change', `${what} of camera ${camera.value.number}`, [
      { kind: 'camera', id: camera.value.id, set: noteCamera(camera.value, fields) },
    ]);
}
function setPlace(what: string, next: FactUpdate<Place>): void {
  if (!place.value) return;
  const set = next(place.value);
  emit('change', `${what} of ${set.name}`, [{ kind: 'place', id: set.id, set }]);
}
</script>

<template>
  <h2>{{ thingName(site, pin.of) }}</h2>
  <section v-if="camera" class="fields">
    <FieldRow label="Bearing"
      ><QuantityField
        :value="pin.facesDegrees ?? 0"
        unit=""
        label="Direction in degrees"
        :allowed="within(0, 360)"
        @take="(degrees) => emit('change', `Turn camera ${camera!.number}`, [turnPin(pin, degrees)])"
      /><span class="dim tiny">°</span></FieldRow
    >
    <LensFields :camera="camera" @note="note" />
  </section>
  <section v-else-if="place" class="fields">
    <PlaceFields :place="place" @set="setPlace" />
  </section>
  <p class="dim tiny">
    Drag it, or nudge it with the arrows (Shift: finer).
    <template v-if="camera">Turn it by its handle, or with <kbd>[</kbd> <kbd>]</kbd>.</template>
  </p>
  <div class="row">
    <button v-if="run" type="button" class="btn small" @click="emit('open', run.id)">Open its sheet</button>
    <button type="button" class="btn small" @click="emit('remove', pin)">Remove from drawing</button>
  </div>
</template>

<style scoped>
.fields :deep(.field-row) {
  grid-template-columns: 84px 1fr;
}
.fields :deep(.control) {
  flex-wrap: wrap;
}
.fields :deep(.figures) {
  margin-left: 0;
}
.row {
  flex-wrap: wrap;
}
</style>
