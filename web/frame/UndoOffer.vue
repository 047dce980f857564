<script setup lang="ts">
import { useUndoOffer } from '../stores/undoOffer';

const emit = defineEmits<{ undo: [] }>();
const offer = useUndoOffer();
</script>

<template>
  <div class="place" role="status">
    <p v-if="offer.offered" class="offer">
      {{ offer.offered.words }}
      <button type="button" class="btn small" @click="emit('undo')">Undo <kbd>u</kbd></button>
      <button type="button" class="plain" aria-label="Dismiss" @click="offer.leave()">×</button>
    </p>
  </div>
</template>

<style scoped>
.place {
  position: fixed;
  z-index: 18;
  left: 50%;
  bottom: 14px;
  max-width: calc(100vw - 20px);
  transform: translateX(-50%);
}
.offer {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 14px;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  border-left: 3px solid var(--copper);
  box-shadow: 0 2px 8px rgb(0 0 0 / 18%);
}
.offer .plain {
  min-width: 24px;
  min-height: 24px;
}
</style>
