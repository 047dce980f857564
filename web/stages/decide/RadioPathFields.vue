<script setup lang="ts">
import { computed } from 'vue';
import {
  heardText,
  parseHeard,
  radioRegionIds,
  radioRegions,
  sights,
  type Sight,
} from '#core/physics/wireless';
import { freeId, withFields, type RadioPath } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import { idMark } from '../../stores/idMark';

/** What was found of a radio path: how far, how clear, and who else is on the air. */
const { placeId, headEndId } = defineProps<{ placeId: string; headEndId: string }>();
const store = useSite();
const openSite = useOpenSite();
const path = computed(() =>
  Object.values(openSite.value.radioPath).find(({ fromPlaceId }) => fromPlaceId === placeId),
);
const sightWords: Record<Sight, string> = {
  clear: 'clear',
  partly: 'trees or a roof edge in it',
  blocked: 'blocked',
};
const choices = sights.map((value) => ({ value, label: sightWords[value] }));
const regions = radioRegionIds.map((value) => ({ value, label: radioRegions[value].label }));
const nameOf = (id: string) => openSite.value.place[id]?.name ?? '';

function set(fields: { [K in keyof RadioPath]?: RadioPath[K] | undefined }): void {
  const usual: RadioPath = {
    id: freeId((id) => id in openSite.value.radioPath, `radio ${placeId}`, idMark),
    fromPlaceId: placeId,
    toPlaceId: headEndId,
    distanceM: 100,
    sight: 'clear',
    heard: [],
    at: '',
    by: '',
  };
  const noted = withFields<RadioPath>(path.value ?? usual, {
    ...fields,
    at: new Date().toISOString(),
    by: store.signedBy('Surveyor'),
  });
  store.change(`Radio path from ${nameOf(placeId)}`, [{ kind: 'radioPath', id: noted.id, set: noted }]);
}
const heardProblem = (text: string) =>
  parseHeard(text) === null ? 'channel and level, such as “6 −48, 36/80 −71”' : undefined;
</script>

<template>
  <div class="path">
    <h3>Radio path to {{ nameOf(path?.toPlaceId ?? headEndId) }}</h3>
    <FieldRow label="Distance"
      ><QuantityField
        :value="path?.distanceM ?? null"
        unit="m"
        label="Distance by air"
        :allowed="fitting('radioPath', 'distanceM', 'm')"
        @take="(distanceM) => set({ distanceM })"
    /></FieldRow>
    <FieldRow label="Sight"
      ><PickField
        :value="path?.sight ?? null"
        :choices="choices"
        label="Sight"
        @take="(sight) => set({ sight })"
    /></FieldRow>
    <FieldRow label="Clearance" hint="Above the highest thing in the way."
      ><QuantityField
        :value="path?.clearanceM ?? null"
        unit="m"
        label="Room above what is in the way"
        :allowed="fitting('radioPath', 'clearanceM', 'm')"
        clearable
        @take="(clearanceM) => set({ clearanceM })"
        @clear="set({ clearanceM: undefined })"
    /></FieldRow>
    <FieldRow label="Radio rules of" hint="Which channels and how much power are allowed."
      ><PickField
        :value="path?.region ?? null"
        :choices="regions"
        label="Radio rules of"
        placeholder="Choose a region"
        @take="(region) => set({ region })"
    /></FieldRow>
    <FieldRow
      :label="`Wi-Fi seen at ${nameOf(placeId)}`"
      hint="Channel and level in dBm of each access point, at a busy hour; the width after a stroke: 36/80 −71."
      ><TextField
        :value="heardText(path?.heard ?? [])"
        label="Access points heard"
        :refuse="heardProblem"
        placeholder="6 −48, 11 −55, 36 −71"
        @take="(text) => set({ heard: parseHeard(text) ?? [] })"
    /></FieldRow>
    <FieldRow
      :label="`Wi-Fi seen at ${nameOf(path?.toPlaceId ?? headEndId)}`"
      hint="The other end hears others. Left empty, nobody has listened there."
      ><TextField
        :value="heardText(path?.heardFar ?? [])"
        label="Access points heard at the other end"
        :refuse="heardProblem"
        placeholder="1 −60, 104/40 −82"
        @take="(text) => set({ heardFar: text.trim() ? (parseHeard(text) ?? []) : undefined })"
    /></FieldRow>
  </div>
</template>

<style scoped>
.path {
  display: grid;
  gap: 4px;
}
</style>
