<script setup lang="ts">
import { computed, ref } from 'vue';
import { mediumWords, type TopologyLink } from '#core/connect/topology';
import { removing } from '#core/model/site';
import type { Load } from '#core/shared/derivation';
import LoadBar from '../../parts/LoadBar.vue';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import PlaceLinkDialog from './PlaceLinkDialog.vue';
import { linkInWords } from './useNetwork';

/** A link that is picked in the tree: what it is, what it carries, what goes dark without it; one that is noted can be changed. */
const { link, load, darkens } = defineProps<{
  link: TopologyLink;
  load: Load | undefined;
  darkens: string;
}>();
const emit = defineEmits<{ why: []; sheet: [] }>();
const store = useSite();
const openSite = useOpenSite();
const noted = computed(() => openSite.value.link[link.id]);
const isChanging = ref(false);
</script>

<template>
  <section class="picked" aria-label="Picked">
    <b>{{ link.name }}</b>
    <button type="button" class="btn small" @click="emit('sheet')">Its sheet <kbd>i</kbd></button>
    <span class="dim">{{ linkInWords(link, mediumWords[link.medium]) }}</span>
    <button v-if="load" type="button" class="plain load" @click="emit('why')">
      <LoadBar :load="load" /> <span class="ask">why</span>
    </button>
    <span>{{ darkens }}</span>
    <template v-if="noted">
      <button type="button" class="btn small" @click="isChanging = true">Change the link</button>
      <button
        type="button"
        class="btn small"
        @click="store.change(`Remove the link ${link.name}`, [removing('link', link.id)])"
      >
        Remove the link
      </button>
      <PlaceLinkDialog v-if="isChanging" visible :link="noted" @update:visible="isChanging = false" />
    </template>
  </section>
</template>

<style scoped src="./picked.css"></style>
