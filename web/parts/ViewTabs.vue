<script setup lang="ts" generic="T extends string">
/** The ways to look at a stage, each with its key; the one that is open stands out. */
defineProps<{ views: readonly { id: T; label: string; key: string }[]; view: T; label: string }>();
const emit = defineEmits<{ show: [view: T] }>();
</script>

<template>
  <nav class="views" :aria-label="label">
    <button
      v-for="one in views"
      :key="one.id"
      type="button"
      class="plain"
      :aria-current="one.id === view ? 'page' : undefined"
      @click="one.id !== view && emit('show', one.id)"
    >
      {{ one.label }} <kbd v-if="one.id !== view">{{ one.key }}</kbd>
    </button>
  </nav>
</template>

<style scoped>
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.views button {
  color: var(--ink-2);
  padding: 2px 0;
}
.views button:hover {
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.views [aria-current] {
  border-bottom: 2px solid var(--copper);
  color: var(--ink);
  font-weight: 600;
  text-decoration: none;
}
@media (max-width: 1250px) {
  .views kbd {
    display: none;
  }
}
@media (max-width: 700px) {
  .views button {
    padding: 9px 2px;
  }
}
</style>
