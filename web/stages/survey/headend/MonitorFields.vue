<script setup lang="ts">
import { computed } from 'vue';
import { camerasNumbered, type Gear } from '#core/model/site';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import TextField from '../../../parts/TextField.vue';
import { useOpenSite } from '../../../stores/openSite';

type Monitor = Extract<Gear, { kind: 'monitor' }>;
/** What a monitor takes in, which recorder or matrix it shows, and which cameras stand in its tiles. */
const { monitor } = defineProps<{ monitor: Monitor }>();
const emit = defineEmits<{ set: [fields: { [K in keyof Monitor]?: Monitor[K] | undefined }] }>();
const openSite = useOpenSite();

const inputs = [
  { value: 'composite' as const, label: 'Composite' },
  { value: 'vga' as const, label: 'VGA' },
  { value: 'hdmi' as const, label: 'HDMI' },
];
const noSource = '-';
/** Recorders and matrices: it shows what one of them puts out. */
const sources = computed(() => [
  { value: noSource, label: 'Not noted' },
  ...Object.values(openSite.value.recorder).map(({ id, name }) => ({
    value: `recorderId/${id}`,
    label: name,
  })),
  ...Object.values(openSite.value.equipment)
    .filter(({ gear }) => gear.kind === 'matrix')
    .map(({ id, name }) => ({ value: `matrixId/${id}`, label: name })),
]);
const source = computed(() => {
  const { recorderId, matrixId } = monitor;
  if (recorderId !== undefined) return `recorderId/${recorderId}`;
  return matrixId === undefined ? noSource : `matrixId/${matrixId}`;
});
function takeSource(value: string): void {
  const [kind, id] = value.split('/');
  emit('set', {
    recorderId: kind === 'recorderId' ? id : undefined,
    matrixId: kind === 'matrixId' ? id : undefined,
  });
}
const tilesText = computed(() =>
  (monitor.tiles ?? []).map((id) => openSite.value.camera[id]?.number ?? '?').join(', '),
);
const refuseTiles = (text: string): string | undefined =>
  camerasNumbered(openSite.value, text) ? undefined : 'numbers of cameras of this site, such as 1, 2, 3';
function takeTiles(text: string): void {
  const tiles = camerasNumbered(openSite.value, text) ?? [];
  emit('set', { tiles: tiles.length > 0 ? tiles : undefined });
}
</script>

<template>
  <FieldRow label="Shows"
    ><PickField
      :value="monitor.input"
      :choices="inputs"
      label="Monitor input"
      @take="(input) => emit('set', { input })" /><PickField
      :value="source"
      :choices="sources"
      label="Recorder or matrix that it shows"
      @take="takeSource"
  /></FieldRow>
  <FieldRow label="Tiles" hint="Numbers of the cameras, row by row from the top left."
    ><TextField
      :value="tilesText"
      label="Cameras in its tiles"
      placeholder="1, 2, 3, 4"
      :refuse="refuseTiles"
      @take="takeTiles"
  /></FieldRow>
</template>
