<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core';
import PickField from '../../parts/PickField.vue';
import { papersViews, type PapersView } from './views';

/** The papers of a site by when they are wanted; on a phone a list to pick from. */
defineProps<{ view: PapersView }>();
const emit = defineEmits<{ show: [view: PapersView] }>();
const isNarrow = useMediaQuery('(max-width: 1000px)');
const groups = [...new Set(papersViews.map(({ group }) => group))].map((name) => ({
  name,
  papers: papersViews.filter(({ group }) => group === name),
}));
const choices = papersViews.map(({ id, label }) => ({ value: id, label }));
</script>

<template>
  <div v-if="isNarrow">
    <PickField :value="view" :choices="choices" label="Paper" @take="(next) => emit('show', next)" />
  </div>
  <nav v-else aria-label="Papers">
    <section v-for="group in groups" :key="group.name">
      <h2>{{ group.name }}</h2>
      <button
        v-for="one in group.papers"
        :key="one.id"
        type="button"
        class="plain"
        :aria-current="one.id === view ? 'page' : undefined"
        @click="one.id !== view && emit('show', one.id)"
      >
        {{ one.label }} <kbd v-if="one.id !== view">{{ one.key }}</kbd>
      </button>
    </section>
  </nav>
</template>

<style scoped>
section {
  padding-bottom: 12px;
}
h2 {
  color: var(--ink-2);
  font-size: 11px;
  font-weight: 500;
}
button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  min-height: 26px;
  align-items: center;
  padding: 2px 6px;
  text-align: left;
}
button[aria-current] {
  border-left: 3px solid var(--verdigris);
  background: var(--sheet);
  font-weight: 600;
}
</style>
