<script setup lang="ts">
import { optionRow, aboutOf, type OptionKind, type SavedPlan } from '#core/model/site';
import { computed, ref, shallowRef, watch } from 'vue';
import { adopt, proofWords, unpin, type Difference, type PlanTotals } from '#core/decide/plan';
import { formatQuantity, type Unit } from '#core/shared/units';
import MarginBar from '../../../parts/MarginBar.vue';
import PickField from '../../../parts/PickField.vue';
import TextField from '../../../parts/TextField.vue';
import { usePlanner } from '../../../stores/planner';
import { useSite } from '../../../stores/site';
import { useUndoOffer } from '../../../stores/undoOffer';
import { useOpenSite } from '../../../stores/openSite';
import { idMark } from '../../../stores/idMark';

/** Up to four plans beside each other: what each comes to now, and where two of them differ and why. */
const store = useSite();
const openSite = useOpenSite();
const undoOffer = useUndoOffer();
const planner = usePlanner();
const pinned = computed(() =>
  Object.values(openSite.value.savedPlan)
    .filter((one) => one.pinned)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
);
const totals = shallowRef<Record<string, PlanTotals>>({});
const differences = shallowRef<Difference[]>([]);
const pair = ref<[string, string] | null>(null);

watch(
  pinned,
  (plans) => {
    const ids = plans.map(({ id }) => id);
    if (!pair.value || !pair.value.every((id) => ids.includes(id)))
      pair.value = ids.length >= 2 ? [ids[0]!, ids[1]!] : null;
  },
  { immediate: true },
);
watch(
  () => [store.site, pinned.value, pair.value] as const,
  async ([, plans]) => {
    if (plans.length === 0) return;
    const first = pair.value ? pair.value.map((id) => plans.find((one) => one.id === id)!) : [];
    const rest = plans.filter((one) => !first.includes(one));
    const found = await planner.compare([...first, ...rest]);
    if (!found) return;
    totals.value = Object.fromEntries([...first, ...rest].map(({ id }, index) => [id, found.totals[index]!]));
    differences.value = pair.value ? found.differences : [];
  },
  { immediate: true },
);

const measures: { key: keyof PlanTotals; label: string; unit: Unit; digits?: number }[] = [
  { key: 'cost', label: 'cost', unit: 'money' },
  { key: 'renewCost', label: 'due again', unit: 'money' },
  { key: 'darkHours', label: 'dark', unit: 'h' },
  { key: 'hours', label: 'labour', unit: 'h' },
  { key: 'ipCameras', label: 'on IP', unit: '' },
  { key: 'newCableM', label: 'new cable', unit: 'm' },
  { key: 'sparePercent', label: 'smallest margin', unit: '%' },
];
const most = computed(() =>
  Object.fromEntries(
    measures.map(({ key }) => [key, Math.max(1e-9, ...Object.values(totals.value).map((one) => one[key]))]),
  ),
);
const choices = computed(() => pinned.value.map(({ id, name }) => ({ value: id, label: name })));
const label = (kind: OptionKind | null) => (kind ? optionRow(kind).label : 'left out');
const moneyOf = (cost: number | null) => (cost === null ? '' : formatQuantity(cost, 'money'));
const choosePair = (index: 0 | 1, id: string) => {
  if (pair.value)
    pair.value =
      index === 0
        ? [id, pair.value[1] === id ? pair.value[0] : pair.value[1]]
        : [pair.value[0] === id ? pair.value[1] : pair.value[0], id];
};
const rename = (plan: SavedPlan, name: string) =>
  store.change(`Call ${plan.name} ${name}`, [{ kind: 'savedPlan', id: plan.id, set: { ...plan, name } }]);
const putAway = (plan: SavedPlan) => store.change(`Put ${plan.name} away`, unpin(openSite.value, plan.id));
function adoptIt(plan: SavedPlan): void {
  const who = { by: store.signedBy('Planner'), at: new Date().toISOString(), mark: idMark };
  const problems = store.change(`Adopt ${plan.name}`, adopt(openSite.value, plan, who));
  if (problems.length === 0)
    undoOffer.offer(`${plan.name} adopted: every camera has its choice, locked ones stayed.`);
}
</script>

<template>
  <div class="compare">
    <div v-if="pinned.length === 0" class="empty">
      <strong>No plan is pinned.</strong>Find a plan under “Best plan”, or a point under “Trade-off”, and pin
      it. Up to four stand here beside each other.
    </div>
    <template v-else>
      <table class="plans" aria-label="Pinned plans">
        <thead>
          <tr>
            <th>Plan</th>
            <th v-for="measure in measures" :key="measure.key">
              {{ measure.label }}{{ measure.key === 'cost' ? `, ${aboutOf(openSite).currency}` : '' }}
            </th>
            <td />
          </tr>
        </thead>
        <tbody>
          <tr v-for="plan in pinned" :key="plan.id" :data-plan="plan.id">
            <td class="name">
              <TextField
                :value="plan.name"
                :label="`Name of ${plan.name}`"
                :refuse="(text) => (text === '' ? 'a name' : undefined)"
                @take="(name) => rename(plan, name)"
              /><span class="tiny dim"
                >{{ plan.by }}, {{ new Date(plan.at).toLocaleDateString() }};
                {{ totals[plan.id] ? proofWords(plan.proof, totals[plan.id]!) : '' }}</span
              >
            </td>
            <td v-for="{ key, unit } in measures" :key="key">
              <template v-if="totals[plan.id]"
                ><span class="mono">{{ formatQuantity(totals[plan.id]![key], unit) }}</span
                ><br /><MarginBar
                  :utilisation="totals[plan.id]![key] / most[key]!"
                  state="holds"
                  :width="64"
                  :height="5"
              /></template>
            </td>
            <td class="acts">
              <button type="button" class="btn small" @click="adoptIt(plan)">Adopt</button>{{ ' '
              }}<button type="button" class="btn small" @click="putAway(plan)">Unpin</button>
            </td>
          </tr>
        </tbody>
      </table>
      <template v-if="pair">
        <div class="row pair">
          <h2>Where they differ</h2>
          <PickField
            :value="pair[0]"
            :choices="choices"
            label="First plan"
            @take="(id) => choosePair(0, id)"
          /><PickField
            :value="pair[1]"
            :choices="choices"
            label="Second plan"
            @take="(id) => choosePair(1, id)"
          /><span class="dim">{{
            differences.length === 0
              ? 'in no camera'
              : `in ${differences.length} camera${differences.length === 1 ? '' : 's'}`
          }}</span>
        </div>
        <div class="rows">
          <table v-if="differences.length > 0" aria-label="Where they differ">
            <thead>
              <tr>
                <td />
                <th>Camera</th>
                <th>first</th>
                <th class="num">Cost</th>
                <th>second</th>
                <th class="num">Cost</th>
                <th>why</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in differences" :key="one.cameraId" :data-camera="one.cameraId">
                <td class="mono dim">{{ one.number }}</td>
                <td>{{ one.name }}</td>
                <td>{{ label(one.a) }}</td>
                <td class="num mono">{{ moneyOf(one.costA) }}</td>
                <td>{{ label(one.b) }}</td>
                <td class="num mono">{{ moneyOf(one.costB) }}</td>
                <td class="dim">{{ one.why }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
      <p v-else class="dim">Pin a second plan to see where they differ, camera by camera, and why.</p>
    </template>
  </div>
</template>

<style scoped>
.compare {
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow: auto;
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
  position: sticky;
  top: 0;
  background: var(--paper);
}
td {
  padding: 4px 6px;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
  vertical-align: top;
}
.name {
  width: 190px;
}
.acts {
  white-space: nowrap;
}
.pair {
  align-items: center;
  flex-wrap: wrap;
}
.rows {
  min-height: 120px;
  overflow: auto;
  scrollbar-width: thin;
}
.num {
  text-align: right;
}
</style>
