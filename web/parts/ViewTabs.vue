<script setup lang="ts" generic="T extends string">
/** The ways to look at a stage, each with its key; the one that is open stands out. */
defineProps<{ views: readonly { id: T; label: string; key: string }[]; view: T; label: string }>();
const emit = defineEmits<{ show: [view: T] }>();
</script>

<template>
  <nav class="views" :aria-label="label">
    <template v-for="one in views" :key="one.id">
      <b v-if="one.id === view" aria-current="page">{{ one.label }}</b>
      <button v-else type="button" class="plain" @click="emit('show', one.id)">
        {{ one.label }} <kbd>{{ one.key }}</kbd>
      </button>
    </template>
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
.views b {
  border-bottom: 2px solid var(--copper);
}
@media (max-width: 1250px) {
  .views kbd {
    display: none;
  }
}
@media (max-width: 700px) {
  .views button,
  .views b {
    padding: 9px 2px;
  }
}
</style>
