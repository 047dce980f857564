<script setup lang="ts">
import { computed, inject } from 'vue';
import { viewFigures, type Sharpness } from '#core/options';
import type { Camera } from '#core/site';
import { choices } from '#core/words';
import { onlyField } from '../../parts/onlyField';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { upTo, within } from '../../parts/within';
import { useMeasures } from '../../stores/measures';

/** The lens and how far away the target is, and what that makes of the picture before and after the change. */
const { camera } = defineProps<{ camera: Camera }>();
const emit = defineEmits<{ note: [what: string, fields: Partial<Camera>] }>();
const own = useMeasures();
const only = inject(onlyField, null);
const isAskedFor = computed(() => !only?.value || only.value === 'lens' || only.value === 'targetM');

type Lens = NonNullable<Camera['lens']>;
const lens = computed<Lens>(() => camera.lens ?? { sensor: '1/3', focalMm: 3.6 });
const figures = computed(() => viewFigures(camera));
const sharpness = ({ perMetre, purpose }: Sharpness) => `${Math.round(perMetre)} px/m, ${purpose ? `enough to ${purpose}` : 'enough for nothing much'}`;

function setFocal(focalMm: number): void {
  // A fixed lens has one focal length; a range that the new one lies outside of was noted wrongly and goes.
  const { range, ...rest } = lens.value;
  emit('note', 'Focal length', { lens: { ...rest, focalMm, ...(range && range.minMm <= focalMm && focalMm <= range.maxMm ? { range } : {}) } });
}
function setRange(ends: { minMm?: number; maxMm?: number }): void {
  const { range = { minMm: lens.value.focalMm, maxMm: lens.value.focalMm } } = lens.value;
  const { minMm, maxMm } = { ...range, ...ends };
  const next = { minMm: Math.min(minMm, maxMm), maxMm: Math.max(minMm, maxMm) };
  emit('note', 'Lens range', { lens: { ...lens.value, focalMm: Math.min(Math.max(lens.value.focalMm, next.minMm), next.maxMm), range: next } });
}
</script>

<template>
  <FieldRow label="Lens" field="lens">
    <PickField :value="camera.lens?.sensor ?? null" :choices="choices.sensor" label="Sensor" placeholder="Sensor" @take="(sensor) => emit('note', 'Sensor', { lens: { ...lens, sensor } })" />
    <QuantityField :value="camera.lens?.focalMm ?? null" unit="" label="Focal length" placeholder="mm" :allowed="within(1, 1000)" @take="setFocal" /><span class="dim tiny">mm</span>
  </FieldRow>
  <FieldRow v-if="camera.lens" label="Turns from">
    <QuantityField :value="camera.lens.range?.minMm ?? null" unit="" label="Shortest focal length" placeholder="fixed" :allowed="within(1, 1000)" @take="(minMm) => setRange({ minMm })" /><span class="dim tiny">to</span>
    <QuantityField :value="camera.lens.range?.maxMm ?? null" unit="" label="Longest focal length" placeholder="fixed" :allowed="within(1, 1000)" @take="(maxMm) => setRange({ maxMm })" /><span class="dim tiny">mm</span>
  </FieldRow>
  <FieldRow label="Target at" field="targetM"><QuantityField :value="camera.targetM ?? null" unit="m" label="Distance to the target" placeholder="how far away" :allowed="upTo(2000, 'm')" @take="(targetM) => emit('note', 'Target', { targetM })" /></FieldRow>
  <div v-if="figures && isAskedFor" class="figures tiny" data-view-figures>
    <p>Sees {{ Math.round(figures.degrees) }}°<template v-if="figures.atTarget">, {{ own.quantity(figures.atTarget.widthM, 'm') }} wide at {{ own.quantity(figures.atTarget.distanceM, 'm') }}</template>.</p>
    <template v-if="figures.atTarget">
      <p><span class="dim">Now</span> {{ sharpness(figures.atTarget.now) }}</p>
      <p><span class="dim">After</span> {{ sharpness(figures.atTarget.after) }}</p>
    </template>
  </div>
</template>

<style scoped>
.figures { margin: 2px 0 4px 112px; display: grid; gap: 1px; }
.figures .dim { display: inline-block; width: 34px; }
</style>
