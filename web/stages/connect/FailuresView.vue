<script setup lang="ts">
import { computed } from 'vue';
import type { NetworkThen } from '#core/evaluate';

/** What is wrong, and what goes dark when one thing fails: the worst of both first. */
const { network } = defineProps<{ network: NetworkThen }>();
const cameras = computed(
  () => new Map(network.topology.cameras.map(({ cameraId, number, name }) => [cameraId, { number, name }])),
);
const telling = computed(() => network.failures.filter(({ cameraIds }) => cameraIds.length > 0));
const dark = (cameraIds: readonly string[]): string =>
  cameraIds
    .map((id) => cameras.value.get(id)!.number)
    .sort((a, b) => a - b)
    .join(', ');
const all = computed(() => network.topology.cameras.length);
</script>

<template>
  <div class="failures">
    <section v-if="network.findings.length > 0">
      <h2>To put right</h2>
      <ul>
        <li v-for="finding in network.findings" :key="finding.message" class="finding">
          <b>{{ finding.message }}</b> {{ finding.remedy }}
        </li>
      </ul>
    </section>
    <p v-else class="dim">Nothing is wrong with the network at this moment.</p>
    <section>
      <h2>If one thing fails</h2>
      <table>
        <thead>
          <tr>
            <th>What fails</th>
            <th class="figure">Dark</th>
            <th>Cameras</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="failure in telling"
            :key="`${failure.of.kind} ${failure.of.id}`"
            :data-failure="failure.of.id"
          >
            <td>{{ failure.name }}{{ failure.of.kind === 'link' ? ', cut' : '' }}</td>
            <td class="figure mono">{{ failure.cameraIds.length }} of {{ all }}</td>
            <td class="mono">{{ dark(failure.cameraIds) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="telling.length === 0" class="dim">No single failure darkens a camera.</p>
      <p class="dim tiny">
        Dark means that the picture no longer reaches its recorder.
        {{ network.failures.length }} devices and links were looked at.
      </p>
    </section>
  </div>
</template>

<style scoped>
.failures {
  display: grid;
  align-content: start;
  gap: 22px;
  max-width: 900px;
}
.finding {
  padding: 6px 12px;
  margin-bottom: 6px;
  border-left: 3px solid var(--madder);
  background: var(--sheet);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 5px 12px 5px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
}
.figure {
  text-align: right;
  white-space: nowrap;
}
</style>
