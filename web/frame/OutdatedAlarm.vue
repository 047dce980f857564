<script setup lang="ts">
/** Says that the figures could not be worked out after the last edit, and lets it be tried again. */
defineProps<{ why: string }>();
const emit = defineEmits<{ retry: [] }>();
</script>

<template>
  <div class="alarm" role="alert">
    <span
      ><b>The figures could not be worked out</b> ({{ why }}). What is greyed is from before your last edit.
      Your edits are kept.</span
    >
    <button type="button" class="btn small" @click="emit('retry')">Try again</button>
  </div>
</template>

<style scoped>
.alarm {
  margin: 0;
  padding: 5px 18px;
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  background: var(--madder-2);
  border-bottom: 2px solid var(--madder);
  font-size: 12px;
}
</style>
