<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useTour } from '../stores/tour';
import { tourRunId, tourSteps } from '../stores/tourSteps';

/** The step of the tour that is next, where it is done, and the way out. */
const tour = useTour();
const route = useRoute();
const router = useRouter();
const isHere = computed(
  () =>
    tour.step !== null &&
    route.name === tour.step.stage &&
    route.params['runId'] === tourRunId &&
    (tour.step.view ?? route.query['view']) === route.query['view'],
);
const isLast = computed(() => tour.at === tourSteps.length - 1);
const there = () =>
  tour.step &&
  router.push({
    name: tour.step.stage,
    params: { siteId: route.params['siteId'], runId: tourRunId },
    query: tour.step.view ? { view: tour.step.view } : {},
  });
</script>

<template>
  <aside v-if="tour.step && tour.at !== null" class="tour" aria-label="The tour">
    <p role="status">
      <b class="mono">{{ tour.at + 1 }} of {{ tourSteps.length }}</b> {{ tour.step.says }}
    </p>
    <button v-if="!isHere" type="button" class="btn small" @click="there">Take me there</button>
    <button type="button" class="btn small" @click="tour.leave()">
      {{ isLast && tour.isDone ? 'End the tour' : 'Leave the tour' }}
    </button>
  </aside>
</template>

<style scoped>
.tour {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 7px 16px;
  background: var(--copper-3);
  border-bottom: 1px solid var(--rule-strong);
}
p {
  flex: 1;
  max-width: 110ch;
}
.btn {
  flex: none;
}
@media (max-width: 700px) {
  .tour {
    flex-wrap: wrap;
  }
  p {
    flex-basis: 100%;
  }
}
</style>
