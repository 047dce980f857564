<script setup lang="ts">
/** Something that is so or is not, as large as a thumb. */
defineProps<{ says: string; isSo: boolean; disabled?: boolean }>();
const emit = defineEmits<{ turn: [isSo: boolean] }>();
</script>

<template>
  <label class="proof" :class="{ so: isSo, disabled }">
    <input
      type="checkbox"
      :checked="isSo"
      :disabled="disabled"
      @change="emit('turn', ($event.target as HTMLInputElement).checked)"
    />
    <span>{{ says }}</span>
  </label>
</template>

<style scoped>
.proof {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
}
.proof input {
  width: 24px;
  height: 24px;
}
.proof.disabled {
  color: var(--ink-2);
  cursor: default;
}
</style>
