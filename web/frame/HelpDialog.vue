<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, ref, watch } from 'vue';
import KeyTable from './KeyTable.vue';
import { glossary, helpOf, type HelpPage } from './helpPages';
import TermDrawing from './TermDrawing.vue';

/** What the view in hand is for, the keys that work in it, and what the words of the trade mean. */
const visible = defineModel<boolean>('visible', { required: true });
const part = defineModel<HelpPart>('part', { required: true });
const { stage, view, title } = defineProps<{ stage: HelpPage; view: unknown; title: string }>();

const parts = [
  { id: 'view', label: 'This view' },
  { id: 'keys', label: 'Keys' },
  { id: 'words', label: 'Glossary' },
] as const;
const wanted = ref('');
watch(visible, () => {
  wanted.value = '';
});
const entry = computed(() => helpOf(stage, view));
const terms = computed(() => {
  const sought = wanted.value.trim().toLowerCase();
  return glossary.filter(({ heading, html }) => `${heading} ${html}`.toLowerCase().includes(sought));
});
</script>

<script lang="ts">
export type HelpPart = 'view' | 'keys' | 'words';
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :header="part === 'keys' ? 'Keys' : part === 'words' ? 'Glossary' : title"
    :style="{ width: '640px' }"
    dismissable-mask
  >
    <nav class="parts" aria-label="Parts of the help">
      <button
        v-for="one in parts"
        :key="one.id"
        type="button"
        class="plain"
        :aria-current="one.id === part ? 'true' : undefined"
        @click="part = one.id"
      >
        {{ one.label }}
      </button>
    </nav>
    <!-- From the manual that is built in; no text of a site is in it. -->
    <!-- eslint-disable-next-line vue/no-v-html -->
    <div v-if="part === 'view'" class="text" v-html="entry.html" />
    <KeyTable v-else-if="part === 'keys'" />
    <template v-else>
      <label class="find"
        ><span class="out-of-sight">Find a term</span
        ><input v-model="wanted" type="search" placeholder="Find a term"
      /></label>
      <p class="out-of-sight" role="status">{{ terms.length }} terms</p>
      <dl>
        <template v-for="term in terms" :key="term.heading">
          <dt>{{ term.heading }}</dt>
          <dd>
            <!-- eslint-disable-next-line vue/no-v-html -->
            <div v-html="term.html" />
            <TermDrawing :term="term.heading" />
          </dd>
        </template>
      </dl>
      <p v-if="terms.length === 0" class="dim">No term matches.</p>
    </template>
  </Dialog>
</template>

<style scoped>
.parts {
  display: flex;
  gap: 16px;
  margin-bottom: 10px;
  border-bottom: 1px solid var(--rule);
}
.parts button {
  min-height: 28px;
  padding: 2px 0;
  color: var(--ink-2);
}
.parts button[aria-current='true'] {
  color: var(--ink);
  font-weight: 600;
  box-shadow: inset 0 -2px var(--copper);
}
.text {
  max-width: 62ch;
  font-size: 14px;
  line-height: 1.5;
}
.text :deep(p) {
  margin-bottom: 10px;
}
.find input {
  width: 220px;
  margin-bottom: 8px;
  padding: 4px 8px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
dl {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 8px 14px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
@media (max-width: 700px) {
  dl {
    grid-template-columns: 1fr;
    gap: 2px;
  }
  dd {
    margin-bottom: 8px;
  }
}
</style>
