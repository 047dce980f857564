<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';

/** Where an empty view sends people: takes them there, and says the keys that do. */
const {
  stage,
  view = '',
  keys,
} = defineProps<{ stage: string; view?: string; keys: readonly string[]; label: string }>();
const route = useRoute();
const to = computed(() => ({
  name: stage,
  params: { siteId: route.params['siteId'] ?? '', runId: route.params['runId'] ?? '' },
  query: view === '' ? {} : { view },
}));
</script>

<template>
  <RouterLink class="btn small" :to="to"
    >{{ label }} <kbd v-for="key in keys" :key="key">{{ key }}</kbd></RouterLink
  >
</template>

<style scoped>
.btn {
  margin-top: 8px;
  margin-right: 8px;
}
</style>
