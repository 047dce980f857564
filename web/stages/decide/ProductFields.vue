<script setup lang="ts">
import { computed } from 'vue';
import { choices, schemesOf } from '#core/model/labels';
import { aboutOf, withFields, type Product } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { whole, within } from '../../parts/within';
import { useOpenSite } from '../../stores/openSite';
import { productFigures } from './productFigures';

/** The figures of a product as a data sheet says them. */
const { product } = defineProps<{ product: Product }>();
const emit = defineEmits<{ set: [product: Product]; copy: [] }>();
const openSite = useOpenSite();
const valueOf = (key: string): number | null =>
  ((product as unknown as Record<string, unknown>)[key] as number | undefined) ?? null;
const set = (fields: Record<string, unknown>) =>
  emit('set', withFields<object>(product, { ...fields, from: 'data-sheet' }) as Product);
const currents = [
  { value: 'dc' as const, label: 'DC' },
  { value: 'ac' as const, label: 'AC' },
  { value: 'either' as const, label: 'AC or DC' },
];
/** What a camera is fed with as long as nobody has said. */
const usualSupply = { current: 'dc' as const, minVolts: 10.8, maxVolts: 13.2 };
const supply = computed(() =>
  product.kind === 'camera' && product.signal === 'hd' ? (product.supply ?? usualSupply) : null,
);
const supplyEdges = [
  { key: 'minVolts', label: 'From', says: 'Lowest volts' },
  { key: 'maxVolts', label: 'To', says: 'Highest volts' },
] as const;
const setSupply = (fields: Partial<typeof supply.value>) => set({ supply: { ...supply.value, ...fields } });
</script>

<template>
  <div class="fields">
    <FieldRow label="Name"
      ><TextField
        :value="product.name"
        :label="`Name of ${product.id}`"
        :refuse="(text) => (text ? undefined : 'a name')"
        @take="(name) => set({ name })"
    /></FieldRow>
    <FieldRow
      v-for="{ key, label, unit, most, isWhole, isOptional } in productFigures[product.kind]"
      :key="key"
      :label
      ><QuantityField
        :value="valueOf(key)"
        :unit="unit"
        :digits="isWhole ? 0 : 1"
        :label="`${label}: ${product.name}`"
        :clearable="isOptional ?? false"
        :allowed="isWhole ? whole(0, most) : within(0, most, unit)"
        @take="(value) => set({ [key]: value })"
        @clear="set({ [key]: undefined })"
    /></FieldRow>
    <FieldRow v-if="product.kind === 'fibre-end'" label="Fibre"
      ><PickField
        :value="product.fibre ?? 'os2'"
        :choices="choices.fibreGrade"
        :label="`Fibre: ${product.name}`"
        @take="(fibre) => set({ fibre })"
    /></FieldRow>
    <FieldRow v-if="product.kind === 'camera' && product.signal === 'hd'" label="Schemes"
      ><PicksField
        :values="product.schemes ?? []"
        :choices="schemesOf(aboutOf(openSite))"
        :label="`HD schemes: ${product.name}`"
        placeholder="Not noted"
        @take="(schemes) => set({ schemes: schemes.length > 0 ? schemes : undefined })"
    /></FieldRow>
    <template v-if="supply">
      <FieldRow label="Fed with"
        ><PickField
          :value="supply.current"
          :choices="currents"
          :label="`Fed with: ${product.name}`"
          @take="(current) => setSupply({ current })"
      /></FieldRow>
      <FieldRow v-for="{ key, label, says } in supplyEdges" :key="key" :label
        ><QuantityField
          :value="supply[key]"
          unit="V"
          :label="`${says}: ${product.name}`"
          :allowed="within(1, 60, 'V')"
          @take="(volts) => setSupply({ [key]: volts })"
      /></FieldRow>
    </template>
    <button type="button" class="btn small" @click="emit('copy')">Duplicate as custom item</button>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 1px;
  max-width: 260px;
  padding: 4px 0 8px;
  justify-items: start;
}
.fields > :deep(.field-row) {
  width: 100%;
}
</style>
