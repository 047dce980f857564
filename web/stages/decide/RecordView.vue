<script setup lang="ts">
import { computed } from 'vue';
import { testDefinition } from '#core/model/site';
import { readingWords } from '#core/test/readings';
import { decisionRecord } from '#core/decide/plan';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSelection } from '../../stores/selection';

/** Who chose what, when, with which plan and on how many readings, and what has come since. */
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const selection = useSelection();
const record = computed(() => decisionRecord(openSite.value, summary.value));
const when = (at: string) => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });
const runOf = (cameraId: string) => summary.value.runs.find(({ camera }) => camera.id === cameraId)!.run.id;
</script>

<template>
  <div class="record" tabindex="0" role="region" aria-label="Record of decisions">
    <div v-if="record.length === 0" class="empty">
      <strong>Nothing is decided yet.</strong>Every choice is written down here: who, when, with which plan,
      on which readings. A reading that comes later and breaks one shows at once.
    </div>
    <table v-else aria-label="Decisions">
      <thead>
        <tr>
          <td />
          <th>Camera</th>
          <th>chosen</th>
          <th>by</th>
          <th>when</th>
          <th>with</th>
          <th>on</th>
          <th>since then</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in record"
          :key="one.cameraId"
          :class="{ broken: one.broken, here: runOf(one.cameraId) === selection.runId }"
          :data-camera="one.cameraId"
          @click="selection.select(runOf(one.cameraId))"
        >
          <td class="mono dim">{{ one.number }}</td>
          <td>{{ one.name }}</td>
          <td>{{ one.label }}<em v-if="one.choice.locked"> locked</em></td>
          <td>{{ one.choice.by }}</td>
          <td class="mono">{{ when(one.choice.at) }}</td>
          <td>{{ one.plan?.name ?? 'by hand' }}</td>
          <td>{{ one.restedOn }} reading{{ one.restedOn === 1 ? '' : 's' }}</td>
          <td>
            <b v-if="one.broken"
              >Does not hold: {{ one.broken }}
              <template v-if="one.brokenBy"
                >Since {{ testDefinition(one.brokenBy.test).label.toLowerCase() }},
                {{ readingWords(one.brokenBy) }}, {{ one.brokenBy.by }},
                {{ when(one.brokenBy.at) }}.</template
              ></b
            ><span v-else class="dim">{{
              one.since.length === 0
                ? 'nothing new'
                : `${one.since.length} new reading${one.since.length === 1 ? '' : 's'}, still holds`
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.record {
  overflow: auto;
  scrollbar-width: thin;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  position: sticky;
  top: 0;
  background: var(--paper);
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 3px 6px;
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 4px 6px;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
  vertical-align: top;
}
td:nth-child(5) {
  white-space: nowrap;
  font-size: 11px;
}
.here {
  background: var(--copper-3);
}
.broken b {
  color: var(--madder);
  font-weight: 600;
}
em {
  color: var(--copper);
  font-style: normal;
  font-size: 11px;
}
</style>
