<script setup lang="ts">
import { computed, inject } from 'vue';
import { recorderOf, viewFigures, type Sharpness } from '#core/model/views';
import { withFocal, withLens, withRange, type Camera } from '#core/model/site';
import { choices } from '#core/model/labels';
import { onlyField } from '../../parts/onlyField';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useOpenSite } from '../../stores/openSite';
import { useMeasures } from '../../stores/measures';

/** The lens and how far away the target is, and what that makes of the picture before and after the change. */
const { camera } = defineProps<{ camera: Camera }>();
const emit = defineEmits<{ note: [what: string, fields: Partial<Camera>] }>();
const own = useMeasures();
const only = inject(onlyField, null);
const isAskedFor = computed(() => !only?.value || only.value === 'lens' || only.value === 'targetM');

const openSite = useOpenSite();
const recorder = computed(() => recorderOf(openSite.value, camera.id));
const figures = computed(() => viewFigures(camera, recorder.value));
const sharpness = ({ perMetre, purpose }: Sharpness) =>
  `${Math.round(perMetre)} px/m, ${purpose ? `enough to ${purpose}` : 'below any usable level'}`;

const set = (what: string, lens: Camera['lens']) => lens && emit('note', what, { lens });
</script>

<template>
  <FieldRow label="Lens" field="lens">
    <PickField
      :value="camera.lens?.sensor ?? null"
      :choices="choices.sensor"
      label="Sensor"
      placeholder="Sensor"
      @take="(sensor) => set('Sensor', withLens(camera, { sensor }))"
    />
    <QuantityField
      :value="camera.lens?.focalMm ?? null"
      unit=""
      label="Focal length"
      placeholder="mm"
      :allowed="fitting('camera', 'lens.focalMm')"
      @take="(focalMm) => set('Focal length', withFocal(camera, focalMm))"
    /><span class="dim tiny">mm</span>
  </FieldRow>
  <FieldRow v-if="camera.lens" label="Varifocal range">
    <QuantityField
      :value="camera.lens.range?.minMm ?? null"
      unit=""
      label="Shortest focal length"
      placeholder="fixed"
      :allowed="fitting('camera', 'lens.range.minMm')"
      @take="(minMm) => set('Lens range', withRange(camera, { minMm }))"
    /><span class="dim tiny">to</span>
    <QuantityField
      :value="camera.lens.range?.maxMm ?? null"
      unit=""
      label="Longest focal length"
      placeholder="fixed"
      :allowed="fitting('camera', 'lens.range.maxMm')"
      @take="(maxMm) => set('Lens range', withRange(camera, { maxMm }))"
    /><span class="dim tiny">mm</span>
  </FieldRow>
  <FieldRow label="Target at" field="targetM"
    ><QuantityField
      :value="camera.targetM ?? null"
      unit="m"
      label="Distance to the target"
      placeholder="how far away"
      :allowed="fitting('camera', 'targetM', 'm')"
      @take="(targetM) => emit('note', 'Target', { targetM })"
  /></FieldRow>
  <div v-if="figures && isAskedFor" class="figures tiny" data-view-figures>
    <p>
      Sees {{ Math.round(figures.degrees) }}°<template v-if="figures.atTarget"
        >, {{ own.quantity(figures.atTarget.widthM, 'm') }} wide at
        {{ own.quantity(figures.atTarget.distanceM, 'm') }}</template
      >.
    </p>
    <template v-if="figures.atTarget">
      <p>
        <span class="dim">Now{{ recorder?.storesAcross ? ', as recorded' : '' }}</span>
        {{ sharpness(figures.atTarget.now) }}
      </p>
      <p><span class="dim">After</span> {{ sharpness(figures.atTarget.after) }}</p>
    </template>
  </div>
</template>

<style scoped>
.figures {
  margin: 2px 0 4px 112px;
  display: grid;
  gap: 1px;
}
.figures .dim {
  display: inline-block;
  width: 34px;
}
</style>
