<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue';
import type { HelpPart } from '../frame/HelpDialog.vue';
import { useKeyListener, useKeys } from '../keys/keys';

/** Help to drills: what the page is for, its keys, and the words of the trade. */
const { view, title } = defineProps<{ view: 'list' | 'drill' | 'editor'; title: string }>();
const HelpDialog = defineAsyncComponent(() => import('../frame/HelpDialog.vue'));
const shown = ref(false);
const part = ref<HelpPart>('view');
function open(of: HelpPart): void {
  part.value = of;
  shown.value = true;
}
useKeyListener();
useKeys([
  { keys: ['?'], label: 'this sheet', group: 'Everywhere', run: () => open('keys') },
  { keys: ['F1'], label: 'what this page is for', group: 'Everywhere', run: () => open('view') },
]);
</script>

<template>
  <button type="button" class="plain help" @click="open('view')">Help <kbd>?</kbd></button>
  <HelpDialog
    v-if="shown"
    v-model:visible="shown"
    v-model:part="part"
    stage="drills"
    :view="view"
    :title="title"
  />
</template>

<style scoped>
.help {
  min-height: 28px;
}
</style>
