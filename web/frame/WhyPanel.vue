<script setup lang="ts">
import DerivationSheet from '../parts/DerivationSheet.vue';
import type { Derivation } from '#core/shared/derivation';

defineProps<{ derivation: Derivation | null }>();
const emit = defineEmits<{ close: [] }>();
</script>

<template>
  <aside class="why" aria-label="Why">
    <button type="button" class="plain close" @click="emit('close')">Close <kbd>Esc</kbd></button>
    <DerivationSheet v-if="derivation" :derivation="derivation" />
    <p v-else class="dim">This figure is not there any more; pick another.</p>
  </aside>
</template>

<style scoped>
.why {
  position: relative;
  min-height: 0;
  overflow: auto;
  background: var(--sheet);
  border-left: 1px solid var(--rule-strong);
  padding: 14px 16px;
  scrollbar-width: thin;
}
.close {
  float: right;
  color: var(--ink-2);
  font-size: 12px;
}
</style>
