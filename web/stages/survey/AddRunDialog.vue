<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref, watch } from 'vue';
import { addRun, addRunTo, longestSegmentM, nextNumber, type Camera } from '#core/model/site';
import { readLine } from '#core/survey/lineText';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PlaceField from '../../parts/PlaceField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { useMeasures } from '../../stores/measures';
import { useSite } from '../../stores/site';
import { idMark } from '../../stores/idMark';

/** Adds a camera with its run, or a run to a camera that has none yet. */
const visible = defineModel<boolean>('visible', { required: true });
const { camera = null } = defineProps<{ camera?: Camera | null }>();
const emit = defineEmits<{ added: [runId: string] }>();
const store = useSite();
const measures = useMeasures();

const blank = () => ({
  number: store.site ? nextNumber(store.site) : 1,
  name: '',
  placeName: '',
  headEndId: '',
  cable: 'coax-rg59-cu',
  lengthM: 0,
  goesOnAs: '',
  supplyId: 'adapter',
});
const wanted = reactive(blank());
const problems = ref<string[]>([]);

const places = computed(() => Object.values(store.site?.place ?? {}));
const headEnds = computed(() =>
  places.value.filter(({ role }) => role === 'head-end').map(({ id, name }) => ({ value: id, label: name })),
);
const powers = computed(() => [
  { value: 'adapter', label: 'Adapter at the camera, 12 V DC' },
  ...Object.values(store.site?.supply ?? {}).map(({ id, name }) => ({ value: id, label: name })),
]);

/** Whoever notes runs goes from camera to camera: the next one is likely near, on the same cable and the same box. */
let like: Partial<Pick<ReturnType<typeof blank>, 'placeName' | 'headEndId' | 'cable' | 'supplyId'>> = {};

/** Closed by Escape, what was typed is there again the next time; only adding it or leaving it clears the form. */
const kept = ref(false);
// Places and boxes of one site are none of another’s.
watch(
  () => store.id,
  () => {
    like = {};
    kept.value = false;
  },
);

watch(
  visible,
  (shown) => {
    if (!shown) return;
    problems.value = [];
    if (!kept.value) Object.assign(wanted, blank(), { headEndId: headEnds.value[0]?.value ?? '' }, like);
    kept.value = true;
  },
  { immediate: true },
);
function leave(): void {
  kept.value = false;
  visible.value = false;
}

const goesOn = computed(() => readLine(wanted.goesOnAs, measures.measures));
const refuseLine = (text: string) => {
  const line = readLine(text, measures.measures);
  return line.kind === 'refused' ? line.why : undefined;
};
const metres = (value: number) =>
  value > 0 && value <= longestSegmentM ? undefined : `more than 0, at most ${longestSegmentM} m`;

function add(): void {
  const missing = [
    ...(camera || wanted.name.trim() ? [] : ['Name the view, such as “Turnstiles”.']),
    ...(camera || wanted.placeName.trim() ? [] : ['Say where the camera hangs.']),
    ...(wanted.lengthM > 0 ? [] : ['Give the length of the run, an estimate will do.']),
    ...(goesOn.value.kind === 'refused' ? [goesOn.value.why] : []),
  ];
  problems.value = missing;
  if (missing.length > 0 || !store.site) return;
  const supplyId = wanted.supplyId === 'adapter' ? null : wanted.supplyId;
  const said = { ...wanted, supplyId, goesOn: goesOn.value.kind === 'read' ? goesOn.value.parts : [] };
  const { changes, runId } = camera
    ? addRunTo(store.site, camera, said, idMark)
    : addRun(store.site, said, idMark);
  problems.value = store
    .change(
      camera ? `Add a run to ${camera.number} ${camera.name}` : `Add run ${wanted.number} ${wanted.name}`,
      changes,
    )
    .map(({ path, allowed }) => `${path.split('/').at(-1)}: ${allowed}`);
  if (problems.value.length > 0) return;
  const { placeName, headEndId, cable } = wanted;
  like = { placeName, headEndId, cable, supplyId: wanted.supplyId };
  leave();
  emit('added', runId);
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :header="camera ? `A run to ${camera.number} ${camera.name}` : 'Add a run'"
    :style="{ width: '440px' }"
  >
    <form class="form" @submit.prevent="add">
      <template v-if="!camera">
        <FieldRow label="Camera number"
          ><QuantityField
            :value="wanted.number"
            unit=""
            label="Camera number"
            autofocus
            :allowed="(value) => (Number.isInteger(value) && value > 0 ? undefined : 'a whole number from 1')"
            @take="(value) => (wanted.number = value)"
        /></FieldRow>
        <FieldRow label="View"
          ><TextField
            :value="wanted.name"
            label="View"
            placeholder="What it looks at"
            @take="(text) => (wanted.name = text)"
        /></FieldRow>
        <FieldRow label="Place"><PlaceField v-model="wanted.placeName" /></FieldRow>
      </template>
      <FieldRow label="Runs from"
        ><PickField
          :value="wanted.headEndId"
          :choices="headEnds"
          label="Runs from"
          @take="(value) => (wanted.headEndId = value)"
      /></FieldRow>
      <FieldRow label="Cable"
        ><PickField
          :value="wanted.cable"
          :choices="measures.cables"
          label="Cable"
          @take="(value) => (wanted.cable = value)"
      /></FieldRow>
      <FieldRow label="Length"
        ><QuantityField
          :value="wanted.lengthM || null"
          unit="m"
          label="Length"
          :allowed="metres"
          @take="(value) => (wanted.lengthM = value)"
      /></FieldRow>
      <FieldRow label="Further segments"
        ><TextField
          :value="wanted.goesOnAs"
          label="Further segments"
          placeholder="soldered, RG-6 copper 25"
          :refuse="refuseLine"
          @typed="(text) => (wanted.goesOnAs = text)"
      /></FieldRow>
      <FieldRow label="Power"
        ><PickField
          :value="wanted.supplyId"
          :choices="powers"
          label="Power"
          @take="(value) => (wanted.supplyId = value)"
      /></FieldRow>
      <DialogFoot :problems="problems" go="Add the run" @leave="leave" />
    </form>
  </Dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 6px;
}
</style>
