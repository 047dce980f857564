<script setup lang="ts">
import { shallowRef, watch } from 'vue';
import type { PlanSheet } from '#core/documents';
import { formatQuantity } from '#core/shared/units';
import { fileAddress, planCsvAddress } from '../../stores/api';
import { useEvaluation } from '../../stores/evaluation';
import { useSite } from '../../stores/site';
import { useKeys } from '../../keys/keys';

const store = useSite();
const evaluation = useEvaluation();
const sheet = shallowRef<PlanSheet | null>(null);

watch(
  () => evaluation.result,
  async () => {
    sheet.value = await evaluation.sheet();
  },
  { immediate: true },
);

const print = () => window.print();
const hours = (value: number | null) => (value === null ? '' : formatQuantity(value, 'h'));
const money = (value: number | null) => (value === null ? '' : formatQuantity(value, 'money'));
useKeys([{ keys: ['p'], label: 'print the sheet', group: 'Plan', run: print }]);
</script>

<template>
  <div v-if="sheet" class="plan">
    <div class="row no-print">
      <h1>Plan to hand over</h1>
      <span class="push" />
      <a class="btn" :href="planCsvAddress(store.id)" download>Plan as CSV</a>
      <a class="btn" :href="fileAddress(store.id)" download>Site file</a>
      <button type="button" class="btn go" @click="print">Print <kbd>p</kbd></button>
    </div>
    <article class="sheet" tabindex="0" aria-label="The plan as it prints">
      <header>
        <h1>{{ sheet.name }}</h1>
        <p class="dim">
          {{ [sheet.address, sheet.customer ? `for ${sheet.customer}` : ''].filter(Boolean).join(', ') }}
        </p>
        <p>Rests on {{ sheet.restsOn }}.</p>
        <p class="totals">
          <span
            >Total, {{ sheet.currency }} <b class="mono">{{ money(sheet.total.cost) }}</b></span
          ><span
            >Labour <b class="mono">{{ hours(sheet.total.hours) }}</b>,
            {{ money(sheet.total.labourCost) }}</span
          ><span
            >Camera downtime <b class="mono">{{ hours(sheet.total.darkHours) }}</b></span
          >
        </p>
      </header>
      <section class="columns">
        <div>
          <h2>What the cameras become</h2>
          <p v-for="line in sheet.becomes" :key="line.label">
            <span class="mono count">{{ line.count }}</span> {{ line.label }}
          </p>
          <p v-if="sheet.becomes.length === 0" class="dim">Nothing is decided yet.</p>
        </div>
        <div>
          <h2>Design criteria</h2>
          <ul class="heeds">
            <li v-for="line in sheet.heeds" :key="line">{{ line }}</li>
          </ul>
          <p>
            Within {{ sheet.renewals.years }} years about {{ money(sheet.renewals.cost) }}
            {{ sheet.currency }} falls due again for what wears out.
          </p>
        </div>
      </section>
      <section v-if="sheet.open.length > 0" class="open">
        <h2>Still open</h2>
        <p v-for="line in sheet.open" :key="line">{{ line }}</p>
      </section>
      <table>
        <thead>
          <tr>
            <td class="num" />
            <th>Camera</th>
            <th>Place</th>
            <th class="num">Run</th>
            <th>Becomes</th>
            <th class="num">Limiting margin</th>
            <th>Rests on</th>
            <th>Slot</th>
            <th class="num">Hours</th>
            <th class="num">Downtime</th>
            <th class="num">Cost</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in sheet.rows" :key="row.number">
            <td class="num mono dim">{{ row.number }}</td>
            <td>{{ row.camera }}</td>
            <td class="dim">{{ row.place }}</td>
            <td class="num mono">{{ row.cable }}</td>
            <td>
              {{ row.choice || '—' }}<span v-if="row.remark" class="remark">{{ row.remark }}</span>
            </td>
            <td class="num mono">{{ row.margin }}</td>
            <td class="dim">{{ row.rests }}</td>
            <td>{{ row.slot }}</td>
            <td class="num mono">{{ hours(row.hours) }}</td>
            <td class="num mono">{{ hours(row.darkHours) }}</td>
            <td class="num mono">{{ money(row.cost) }}</td>
          </tr>
        </tbody>
      </table>
      <div class="columns">
        <section>
          <h2>To buy</h2>
          <p v-if="sheet.parts.length === 0" class="dim">
            Nothing yet: no option that is chosen buys anything.
          </p>
          <table v-else>
            <tbody>
              <tr v-for="part in sheet.parts" :key="part.label">
                <td class="num mono">{{ part.count }}</td>
                <td>{{ part.label }}</td>
                <td class="num mono">{{ part.cost === null ? 'no price yet' : money(part.cost) }}</td>
              </tr>
            </tbody>
          </table>
          <template v-if="sheet.network.lines.length > 0">
            <h3 class="network">The network itself</h3>
            <p v-for="line in sheet.network.lines" :key="line">{{ line }}</p>
            <p class="tiny dim">
              {{ money(sheet.network.cost) }} {{ sheet.currency }} and {{ hours(sheet.network.hours) }} of the
              total, whatever is chosen for the cameras.
            </p>
          </template>
          <p class="tiny dim">
            A camera’s cost counts one port of a full unit; the total counts whole units.
          </p>
          <p v-for="group in sheet.shared" :key="group.place + group.label" class="tiny dim">
            {{ group.label }} at {{ group.place }}: {{ group.ports }} port{{
              group.ports === 1 ? '' : 's'
            }}
            used, {{ formatQuantity(group.watts, 'W', 0) }}.
          </p>
        </section>
        <section>
          <h2>Warnings</h2>
          <ul>
            <li v-for="line in [...sheet.consequences, ...sheet.cautions]" :key="line">{{ line }}</li>
          </ul>
        </section>
      </div>
      <footer class="signed">
        <p>For {{ sheet.customer || 'the customer' }}<span /></p>
        <p>For the integrator<span /></p>
        <p>Date<span /></p>
      </footer>
    </article>
  </div>
</template>

<style scoped>
.network {
  padding-top: 12px;
}
.plan {
  height: 100%;
  overflow: hidden auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
  scrollbar-width: thin;
}
.sheet {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 18px 22px;
  display: grid;
  gap: 12px;
}
.totals {
  display: flex;
  gap: 26px;
  padding-top: 6px;
  color: var(--ink-2);
  font-size: 11px;
}
.totals b {
  font-size: 16px;
  font-weight: 500;
  color: var(--ink);
}
.open {
  border-left: 3px solid var(--ochre);
  padding-left: 12px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 3px 6px;
  border-bottom: 1px solid var(--rule-strong);
  white-space: nowrap;
}
td {
  padding: 2px 6px;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
  vertical-align: top;
}
.num {
  text-align: right;
  white-space: nowrap;
}
.remark {
  display: block;
  color: var(--madder);
  font-size: 11px;
}
.count {
  display: inline-block;
  min-width: 2.2em;
  text-align: right;
}
.heeds {
  columns: 2;
  column-gap: 20px;
}
.heeds li {
  break-inside: avoid;
  line-height: 1.3;
}
.signed {
  display: grid;
  grid-template-columns: 2fr 2fr 1fr;
  gap: 24px;
  padding-top: 26px;
  font-size: 12px;
  color: var(--ink-2);
  break-inside: avoid;
}
.signed span {
  display: block;
  border-bottom: 1px solid var(--ink);
  height: 30px;
}
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
}
.columns h2 {
  padding-bottom: 4px;
}
li {
  padding: 2px 0;
  font-size: 12px;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: 1fr;
  }
  .sheet {
    overflow-x: auto;
  }
}
@media print {
  .plan {
    display: block;
    height: auto;
    overflow: visible;
  }
  .sheet {
    border: 0;
    padding: 0;
  }
  tr {
    break-inside: avoid;
  }
}
</style>
