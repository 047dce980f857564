<script setup lang="ts">
import type { Product } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { whole, within } from '../../parts/within';
import { productFigures } from './productFigures';

/** The figures of a product as a data sheet says them. */
const { product } = defineProps<{ product: Product }>();
const emit = defineEmits<{ set: [product: Product]; copy: [] }>();
const valueOf = (key: string) => Number((product as unknown as Record<string, unknown>)[key] ?? 0);
const set = (fields: Record<string, unknown>) =>
  emit('set', { ...product, ...fields, from: 'data-sheet' } as Product);
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
    <FieldRow v-for="{ key, label, unit, most, isWhole } in productFigures[product.kind]" :key="key" :label
      ><QuantityField
        :value="valueOf(key)"
        :unit="unit"
        :digits="isWhole ? 0 : 1"
        :label="`${label}: ${product.name}`"
        :allowed="isWhole ? whole(0, most) : within(0, most, unit)"
        @take="(value) => set({ [key]: value })"
    /></FieldRow>
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
