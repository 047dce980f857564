<script setup lang="ts">
import { counted } from '#core/shared/labels';
import { isPartMissing } from '../offline/partMissing';
import { isNewVersionReady, openNewVersion } from '../offline/registerWorker';
import { useEvaluation } from '../stores/evaluation';
import { useSelection } from '../stores/selection';
import { tablesFailed } from '../tables/useTables';
import { BrokenAlarm, TourBar } from './later';
import OutdatedAlarm from './OutdatedAlarm.vue';

/** What is said above the work, whatever stage is open. */
const evaluation = useEvaluation();
const selection = useSelection();
</script>

<template>
  <div>
    <p v-if="isNewVersionReady" class="new-version" role="status">
      A newer version of Neotrope is ready.
      <button type="button" class="btn small" @click="openNewVersion">Open it</button>
      <span class="dim">What is not saved yet stays in this browser.</span>
    </p>
    <p v-if="isPartMissing" class="stop row" role="alert">
      A part of Neotrope could not be fetched; what you asked for may not open. Nothing was changed. Reload
      this page once there is a network again.
      <span class="push" />
      <button type="button" class="btn small" @click="isPartMissing = false">OK</button>
    </p>
    <p v-if="tablesFailed" class="stop row" role="alert">
      What reads and writes tables could not be fetched. Check the network, then try again; nothing was
      changed.
      <span class="push" />
      <button type="button" class="btn small" @click="tablesFailed = false">OK</button>
    </p>
    <OutdatedAlarm v-if="evaluation.problem !== null" :why="evaluation.problem" @retry="evaluation.retry()" />
    <BrokenAlarm />
    <TourBar />
    <p v-if="selection.filter.trim()" class="filtered">
      “{{ selection.filter.trim() }}”: {{ selection.found.shown }} of
      {{ counted(selection.found.all, 'run') }} shown.
      <button type="button" class="btn small" @click="selection.filter = ''">Show all</button>
    </p>
  </div>
</template>

<style scoped>
.filtered {
  display: none;
}
.new-version {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 5px 16px;
  background: var(--copper-3);
}
@media (max-width: 1000px) {
  /* The list that says so beside its field is out of sight here. */
  .filtered {
    display: flex;
    gap: 10px;
    align-items: center;
    padding: 5px 10px;
    background: var(--copper-3);
    font-size: 12px;
  }
}
</style>
