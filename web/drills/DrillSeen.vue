<script setup lang="ts">
import { computed } from 'vue';
import { drillRunId } from '#core/test/drills';
import { symptomWords, type Site } from '#core/model/site';
import { quayScene, simulate, symptomEffects, type Symptom } from '#core/physics/picture';
import { pictureFormat } from '#core/physics/signal';
import SeenPicture from '../parts/SeenPicture.vue';

/** What is seen on the screen, as a picture that shows it. */
const { symptoms, site } = defineProps<{ symptoms: readonly Symptom[]; site: Site }>();
const scene = quayScene(252, 142);
const run = computed(() => site.run[drillRunId]!);
const stretches = computed(() => run.value.segments.map(({ cable, lengthM }) => ({ cable, lengthM })));
const format = computed(() => pictureFormat(site.camera[run.value.cameraId]!.format));
const shown = computed(() =>
  symptoms.length === 0
    ? [{ label: 'Clean', picture: scene }]
    : symptoms.map((symptom) => ({
        label: symptomWords[symptom].label,
        picture: simulate(scene, symptomEffects(symptom, format.value, stretches.value)),
      })),
);
</script>

<template>
  <div class="seen">
    <figure v-for="one in shown" :key="one.label">
      <SeenPicture :picture="one.picture" :label="`Seen: ${one.label}`" />
      <figcaption class="dim tiny">{{ one.label }}</figcaption>
    </figure>
  </div>
</template>

<style scoped>
.seen {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 252px));
  gap: 10px;
  padding-top: 10px;
}
figure {
  margin: 0;
}
</style>
