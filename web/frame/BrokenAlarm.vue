<script setup lang="ts">
import { optionRow } from '#core/model/site';
import { computed, ref, watch } from 'vue';
import { useEvaluation } from '../stores/evaluation';
import { useSelection } from '../stores/selection';

/** What was chosen and does not hold any more, said wherever a person is, until it is looked at or put aside. */
const evaluation = useEvaluation();
const selection = useSelection();
const aside = ref<ReadonlySet<string>>(new Set());

const key = (runId: string, why: string) => `${runId} ${why}`;
const broken = computed(() =>
  (evaluation.result?.runs ?? []).flatMap((run) =>
    run.chosen && run.choiceBroken && !aside.value.has(key(run.run.id, run.choiceBroken))
      ? [{ run, chosen: run.chosen, why: run.choiceBroken }]
      : [],
  ),
);
const first = computed(() => broken.value[0]);
/** What is looked at in Decide needs no alarm any more. */
watch(
  () => [selection.stage, selection.runId, first.value] as const,
  ([stage, runId, alarm]) => {
    if (alarm && stage === 'decide' && runId === alarm.run.run.id) putAside();
  },
);
function putAside(): void {
  if (first.value) aside.value = new Set([...aside.value, key(first.value.run.run.id, first.value.why)]);
}
const look = () => void (first.value && selection.go({ stage: 'decide', runId: first.value.run.run.id }));
</script>

<template>
  <div v-if="first" class="alarm no-print" role="alert" aria-label="A choice does not hold any more">
    <span
      ><b>Camera {{ first.run.camera.number }}, {{ first.run.camera.name }}:</b> “{{
        optionRow(first.chosen).label
      }}” was chosen and does not hold any more. {{ first.why }}</span
    >
    <span v-if="broken.length > 1" class="dim">and {{ broken.length - 1 }} more</span>
    <span class="push" />
    <button type="button" class="btn small" @click="look">Look at it</button>
    <button type="button" class="btn small" @click="putAside">Not now</button>
  </div>
</template>

<style scoped>
.alarm {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 5px 18px;
  background: var(--madder-2);
  border-bottom: 2px solid var(--madder);
  font-size: 12px;
}
@media (max-width: 700px) {
  .alarm {
    flex-wrap: wrap;
  }
}
</style>
