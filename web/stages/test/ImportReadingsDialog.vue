<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, ref } from 'vue';
import { readingsFromTable, type TableReading } from '#core/test/readings';
import type { ForeignTable } from '#core/survey/lists';
import { takeReading, testDefinition } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import DialogFoot from '../../parts/DialogFoot.vue';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import { useTaking } from './taking';

/** What a table of readings would add, before it is added; all of it or nothing. */
const { table, remarks } = defineProps<{ table: ForeignTable; remarks: string[] }>();
const emit = defineEmits<{ done: [] }>();
const store = useSite();
const openSite = useOpenSite();
const { surveyor, instrument } = useTaking();
/** Why the site does not take them after all. */
const why = ref<string[]>([]);

const read = computed(() => readingsFromTable(openSite.value, table, (written) => Date.parse(written)));
const problems = computed(() =>
  read.value.problems.slice(0, 12).map(({ line, why }) => `Line ${line}: ${why}`),
);
const figure = ({ found }: TableReading) =>
  found.test === 'wire-map' ? found.found : formatQuantity(found.value, testDefinition(found.test).asks.unit);

function apply(): void {
  const at = new Date().toISOString();
  const changes = read.value.readings.map(({ run, cameraNumber: _, found, ...about }) =>
    takeReading(run, found, {
      by: surveyor(),
      at,
      mark: crypto.randomUUID().slice(0, 8),
      ...about,
      instrument: about.instrument ?? instrument.value,
    }),
  );
  const refused = store.change(`Import ${changes.length} readings`, changes);
  why.value = refused.slice(0, 5).map(({ path, allowed }) => `${path}: ${allowed}`);
  if (refused.length === 0) emit('done');
}
</script>

<template>
  <Dialog
    visible
    modal
    header="Readings from a table"
    :style="{ width: '560px' }"
    @update:visible="emit('done')"
  >
    <form @submit.prevent="apply">
      <p v-for="one in [...remarks, ...read.remarks]" :key="one" class="dim">{{ one }}</p>
      <div class="scroll">
        <table aria-label="Readings to take">
          <tbody>
            <tr v-for="(one, index) in read.readings" :key="index">
              <td class="mono">{{ one.cameraNumber }}</td>
              <td>{{ testDefinition(one.found.test).label }}</td>
              <td class="num mono">{{ figure(one) }}</td>
              <td class="dim">
                {{
                  one.at
                    ? new Date(one.at).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' })
                    : 'now'
                }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <DialogFoot
        :problems="[...problems, ...why]"
        :go="`Take ${read.readings.length} reading${read.readings.length === 1 ? '' : 's'}`"
        :held="problems.length > 0 || read.readings.length === 0"
        @leave="emit('done')"
      />
    </form>
  </Dialog>
</template>

<style scoped>
.scroll {
  max-height: 320px;
  overflow: auto;
  margin: 6px 0;
}
table {
  border-collapse: collapse;
  width: 100%;
}
td {
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule);
}
.num {
  text-align: right;
}
</style>
