<script setup lang="ts">
import { shallowRef } from 'vue';
import type { NightHelp } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';

/** What would make a night surer: which task has to leave it, and where to. Asked for, since every way out is tried. */
const { date } = defineProps<{ date: string }>();
const evaluation = useEvaluation();
const nights = useNights();
const found = shallowRef<NightHelp[] | null>(null);
const refused = shallowRef<string[]>([]);
const percent = (chance: number) => `${Math.floor(100 * chance)} %`;
async function look(): Promise<void> {
  refused.value = [];
  found.value = await evaluation.nightHelp(Date.now(), date);
}
async function move({ taskId, to }: NightHelp): Promise<void> {
  refused.value = await nights.move(taskId, { date: to, crewId: null });
  found.value = null;
}
</script>

<template>
  <div class="help tiny">
    <button v-if="!found" type="button" class="btn small" @click="look">What would help?</button>
    <template v-else>
      <p v-if="found.length === 0">
        No single task can go into another night. Plan again, or allow a longer shift.
      </p>
      <p v-for="one in found" :key="one.taskId" data-help>
        <button type="button" class="btn small" @click="move(one)">Move it</button>
        {{ nights.titleOf(one.taskId) }} to {{ dateWords(one.to) }}: {{ percent(one.chance) }} here,
        {{ percent(one.there) }} there.
      </p>
    </template>
    <p v-for="why in refused" :key="why" class="stop" role="alert">{{ why }}</p>
  </div>
</template>

<style scoped>
.help {
  grid-column: 2;
  display: grid;
  gap: 4px;
  justify-items: start;
  padding-top: 3px;
}
</style>
