<script setup lang="ts">
import { computed } from 'vue';
import { catalogueOf, productsOf } from '#core/model/catalogue';
import { viewNeed } from '#core/model/views';
import { viewClassesEdition, viewPurposes } from '#core/physics/optics';
import { withFields, type Camera } from '#core/model/site';
import { formatFigure, formatQuantity } from '#core/shared/units';
import { choices } from '#core/model/labels';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import { useOpenSite } from '../../stores/openSite';

/** What the view asks of its next camera, and the class and watts that follow. */
const { camera } = defineProps<{ camera: Camera }>();
const emit = defineEmits<{ note: [what: string, fields: { [K in keyof Camera]?: Camera[K] | undefined }] }>();
const openSite = useOpenSite();

type Needs = NonNullable<Camera['needs']>;
type Detail = NonNullable<Needs['detail']> | 'open';
const details: { value: Detail; label: string }[] = [
  { value: 'open', label: 'not said' },
  ...viewPurposes.map(({ id, label, atLeast }) => ({ value: id, label: `${label}, ${atLeast} px/m` })),
];
const answers: { value: 'today' | 'yes' | 'no'; label: string }[] = [
  { value: 'today', label: 'same as existing' },
  { value: 'yes', label: 'yes' },
  { value: 'no', label: 'no' },
];
const extras = [
  { key: 'lamps', label: 'IR/LED' },
  { key: 'heater', label: 'Heater' },
  { key: 'audio', label: 'Sound' },
  { key: 'vandal', label: 'Vandal-resistant' },
] as const;

const need = computed(() => viewNeed(openSite.value, camera));
const models = computed(() => [
  { value: '', label: 'the class’s usual camera' },
  ...productsOf(catalogueOf(openSite.value), 'camera')
    .filter(({ id }) => id in openSite.value.product)
    .map(({ id, name }) => ({ value: id, label: name })),
]);
const className = (target: Camera['target']) => choices.target.find(({ value }) => value === target)!.label;
const suggests = computed(() => need.value.suggests !== camera.target);
const asks = computed(() =>
  need.value.pixelsAcross === null
    ? ''
    : `Asks for ${formatFigure(need.value.pixelsAcross, '')} pixels across (${viewClassesEdition}). `,
);

function set(fields: { [K in keyof Needs]?: Needs[K] | undefined }): void {
  const needs = withFields<Needs>(camera.needs ?? {}, fields);
  emit('note', 'What the view needs', { needs: Object.keys(needs).length > 0 ? needs : undefined });
}
const answerOf = (value: boolean | undefined): 'today' | 'yes' | 'no' =>
  value === undefined ? 'today' : value ? 'yes' : 'no';
</script>

<template>
  <FieldRow
    label="Required level of detail"
    :hint="`${asks}By night ${formatQuantity(need.ip.nightWatts, 'W')} as IP, ${formatQuantity(need.ip.mbps, 'Mb/s')}.`"
  >
    <PickField
      :value="camera.needs?.detail ?? 'open'"
      :choices="details"
      label="Required level of detail"
      @take="(detail) => set({ detail: detail === 'open' ? undefined : detail })"
    />
  </FieldRow>
  <p v-if="need.beyond" class="caution">
    No camera class sees that finely here: a longer lens, a nearer place, or a second camera.
  </p>
  <p v-else-if="suggests" class="caution suggests">
    {{ className(need.suggests) }} would do for that.
    <button
      type="button"
      class="btn small"
      @click="emit('note', 'Replacement camera', { target: need.suggests })"
    >
      Use it
    </button>
  </p>
  <h4>New camera needs</h4>
  <FieldRow v-for="{ key, label } in extras" :key="key" :label
    ><PickField
      :value="answerOf(camera.needs?.[key])"
      :choices="answers"
      :label="`New camera needs: ${label}`"
      @take="(answer) => set({ [key]: answer === 'today' ? undefined : answer === 'yes' })"
  /></FieldRow>
  <FieldRow label="Model"
    ><PickField
      :value="camera.modelId ?? ''"
      :choices="models"
      label="Model for this view"
      @take="(id) => emit('note', 'Model', { modelId: id || undefined })"
  /></FieldRow>
</template>
