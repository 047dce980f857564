<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { noteCamera, type Camera, type SeenFrom } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** From which camera's place a view could be seen too, at what angle and how far off: a fact once all three are known. */
const { camera } = defineProps<{ camera: Camera }>();
const store = useSite();
const openSite = useOpenSite();

const draft = ref<Partial<SeenFrom>>({});
watch(
  () => camera,
  ({ id, seenFrom }, before) => {
    if (seenFrom || id !== before?.id) draft.value = { ...seenFrom };
  },
  { immediate: true },
);

/** Cameras that a run leads to, those of the same place first. */
const others = computed(() => {
  const withRun = new Set(Object.values(openSite.value.run).map(({ cameraId }) => cameraId));
  const isNear = ({ placeId }: Camera): number => (placeId === camera.placeId ? 0 : 1);
  return [
    { value: '', label: 'no other camera' },
    ...Object.values(openSite.value.camera)
      .filter(({ id }) => id !== camera.id && withRun.has(id))
      .sort((a, b) => isNear(a) - isNear(b) || a.number - b.number)
      .map(({ id, number, name }) => ({ value: id, label: `${number} ${name}` })),
  ];
});

const note = (seenFrom: SeenFrom | undefined): void =>
  void store.update(`Camera ${camera.number}: who could see its view`, 'camera', camera.id, (now) =>
    noteCamera(now, { seenFrom }),
  );

function set(fields: Partial<SeenFrom>): void {
  draft.value = { ...draft.value, ...fields };
  const { cameraId, acrossDegrees, targetM } = draft.value;
  if (cameraId === '') {
    draft.value = {};
    if (camera.seenFrom) note(undefined);
  } else if (cameraId !== undefined && acrossDegrees !== undefined && targetM !== undefined)
    note({ cameraId, acrossDegrees, targetM });
}
</script>

<template>
  <div class="fields">
    <h3>Who could see this view too</h3>
    <FieldRow label="Camera"
      ><PickField
        :value="draft.cameraId ?? ''"
        :choices="others"
        label="Camera that could see this view"
        @take="(cameraId) => set({ cameraId })"
    /></FieldRow>
    <FieldRow
      label="Both views"
      hint="The angle there, from the edge of one view to the far edge of the other."
      ><QuantityField
        :value="draft.acrossDegrees ?? null"
        unit="°"
        label="Angle that takes in both views"
        :allowed="fitting('camera', 'seenFrom.acrossDegrees', '°')"
        @take="(acrossDegrees) => set({ acrossDegrees })"
    /></FieldRow>
    <FieldRow label="Target" hint="From there to what this view must see."
      ><QuantityField
        :value="draft.targetM ?? null"
        unit="m"
        label="Distance from that camera"
        :allowed="fitting('camera', 'seenFrom.targetM', 'm')"
        @take="(targetM) => set({ targetM })"
    /></FieldRow>
  </div>
</template>
