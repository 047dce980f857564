<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete';
import { ref } from 'vue';
import { useOpenSite } from '../stores/openSite';

/** A place by its name: one that is known, or a new one. */
const name = defineModel<string>({ required: true });
const openSite = useOpenSite();
const suggestions = ref<string[]>([]);
function suggest({ query }: { query: string }): void {
  const sought = query.toLowerCase();
  suggestions.value = Object.values(openSite.value.place)
    .map((place) => place.name)
    .filter((one) => one.toLowerCase().includes(sought));
}
</script>

<template>
  <AutoComplete
    :model-value="name"
    :suggestions="suggestions"
    aria-label="Place"
    placeholder="A known place or a new one"
    fluid
    size="small"
    dropdown
    :pt="{ dropdown: { 'aria-label': 'All places' } }"
    @update:model-value="(text) => (name = String(text ?? ''))"
    @complete="suggest"
  />
</template>
