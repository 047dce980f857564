<script setup lang="ts">
import { optionRow, aboutOf, freeId } from '#core/model/site';
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { catalogueOf } from '#core/model/catalogue';
import {
  adopt,
  pin,
  planName,
  planPriceGaps,
  plannedOf,
  type BreakEven,
  type Plan,
  type Reason,
} from '#core/decide/plan';
import { restsOn } from '#core/documents';
import { formatQuantity } from '#core/shared/units';
import { useKeys } from '../../../keys/keys';
import { downloadBlob } from '../../../tables/useTables';
import { useOpenEvaluation, useOpenSite } from '../../../stores/openSite';
import { usePlanner } from '../../../stores/planner';
import { useSelection } from '../../../stores/selection';
import { useSite } from '../../../stores/site';
import { useUndoOffer } from '../../../stores/undoOffer';
import DemandsPanel from './DemandsPanel.vue';
import ReasonBox from './ReasonBox.vue';
import SearchBar from './SearchBar.vue';
import TotalsRow from './TotalsRow.vue';
import { idMark } from '../../../stores/idMark';
import { sayInPassing } from '../../../parts/sayInPassing';

const store = useSite();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const selection = useSelection();
const planner = usePlanner();
const undoOffer = useUndoOffer();

const about = computed(() => aboutOf(openSite.value));
const who = () => ({ by: store.signedBy('Planner'), at: new Date().toISOString(), mark: idMark });
const rows = computed(() =>
  summary.value.runs.map((run) => {
    const kind = planner.plan?.options[run.camera.id];
    const found = run.options.find((one) => one.kind === kind);
    const option = found && found.state !== 'no' ? found : null;
    return {
      run,
      kind,
      option,
      cost: option?.cost ?? null,
      differs: kind !== undefined && kind !== run.chosen,
      locked: openSite.value.choice[run.camera.id]?.locked === true,
    };
  }),
);
const standsOn = computed(() =>
  restsOn(
    openSite.value,
    rows.value.flatMap(({ option }) => option ?? []),
  ),
);
const changes = computed(() => rows.value.filter(({ differs, locked }) => differs && !locked).length);
const excluded = computed(() =>
  planner.found.kind === 'plan'
    ? planner.found.plan.excluded
    : planner.found.kind === 'none'
      ? []
      : planner.found.excluded,
);
const gaps = computed(() => planPriceGaps(openSite.value, summary.value.runs, planner.plan));

const rowsBox = useTemplateRef('rowsBox');
watch(
  () => [selection.runId, planner.plan !== null],
  async () => {
    await nextTick();
    rowsBox.value?.querySelector('.here')?.scrollIntoView({ block: 'nearest' });
  },
  { immediate: true },
);

const reason = ref<Reason | null>(null);
const turns = ref<BreakEven[]>([]);
const proven = computed(() => (planner.plan?.proof.kind === 'proven' ? planner.plan : null));
const cameraId = computed(() => selection.current?.camera.id);
/** What was explained; what was asked of it may have made room for something else before it was answered. */
const explained = shallowRef<{ plan: Plan; cameraId: string } | null>(null);
const isExplained = computed(
  () => explained.value?.plan === proven.value && explained.value?.cameraId === cameraId.value,
);
watch([proven, cameraId], () => ([reason.value, turns.value] = [null, []]));
/** Whether the solver is free for it: one explanation makes room for the next, and anything else is let finish. */
const mayExplain = computed(
  () => !planner.isStale && planner.trouble === '' && [null, 'reason'].includes(planner.busy),
);
// Each by itself: a new evaluation makes no other camera of the one in hand, and must not end what the solver is asked meanwhile.
watch(
  [proven, cameraId, mayExplain],
  ([plan, id, may]) => {
    if (!plan || !id || !may || isExplained.value) return;
    void planner.explain(id, (found, list) => {
      explained.value = { plan, cameraId: id };
      [reason.value, turns.value] = [found, list];
    });
  },
  { immediate: true },
);

function pinIt(): void {
  if (!planner.plan) return;
  const pinned = pin(openSite.value, planner.plan, who());
  if (pinned.kind === 'full')
    sayInPassing({ severity: 'warn', summary: 'Not pinned', detail: pinned.message, life: 6000 });
  else {
    store.change(`Pin ${planName(openSite.value)}`, pinned.changes);
    sayInPassing({
      severity: 'secondary',
      summary: 'Pinned',
      detail: 'It stands under “Side by side”.',
      life: 2500,
    });
  }
}
function adoptIt(): void {
  const { plan } = planner;
  // What the plan was made for has changed: it is found again before anybody builds on it.
  if (!plan || planner.isStale) return;
  const name = planName(openSite.value);
  const id = freeId((one) => one in openSite.value.savedPlan, 'plan', idMark);
  const problems = store.change(
    `Adopt ${name}`,
    adopt(openSite.value, { ...plannedOf(plan, id, name, who()), pinned: false }, who()),
  );
  if (problems[0])
    sayInPassing({
      severity: 'warn',
      summary: 'Not adopted',
      detail: `${problems[0].path}: ${problems[0].allowed}`,
      life: 8000,
    });
  else undoOffer.offer(`${name} adopted: every camera has its choice, locked ones stayed.`);
}
async function saveLp(): Promise<void> {
  const text = await planner.lp();
  if (text) downloadBlob(new Blob([text], { type: 'text/plain' }), `${store.id}-plan.lp`);
}
useKeys([
  { keys: ['f'], label: 'find the best plan', group: 'Best plan', run: () => void planner.findPlan() },
  { keys: ['Escape'], label: 'stop, keep the best so far', group: 'Best plan', run: planner.stop },
  { keys: ['n'], label: 'pin the plan', group: 'Best plan', run: pinIt },
  { keys: ['a'], label: 'adopt the plan', group: 'Best plan', run: adoptIt },
  {
    keys: ['y'],
    label: 'cost of the alternatives',
    group: 'Best plan',
    run: () => void planner.costAlternatives(),
  },
]);
</script>

<template>
  <div class="best">
    <DemandsPanel class="left" :demands="planner.demands" :costs="planner.alternatives" />
    <div class="right">
      <div class="row acts">
        <button type="button" class="btn go" :disabled="planner.busy === 'plan'" @click="planner.findPlan()">
          {{ planner.found.kind === 'none' ? 'Find the best plan' : 'Find it again' }} <kbd>f</kbd>
        </button>
        <button type="button" class="btn" :disabled="!planner.plan || planner.isStale" @click="adoptIt">
          Adopt{{
            planner.plan && changes ? `, ${changes} camera${changes === 1 ? ' changes' : 's change'}` : ''
          }}
          <kbd>a</kbd>
        </button>
        <button type="button" class="btn" :disabled="!planner.plan" @click="pinIt">Pin <kbd>n</kbd></button>
        <button
          type="button"
          class="btn"
          :disabled="!planner.plan || planner.busy === 'plan'"
          @click="planner.costAlternatives()"
        >
          Cost of the alternatives <kbd>y</kbd>
        </button>
        <span class="push" />
        <button type="button" class="btn small" @click="saveLp">LP file</button>
      </div>
      <SearchBar
        v-if="planner.busy === 'plan'"
        label="Searching for the best plan"
        :progress="planner.progress"
        @stop="planner.stop"
      />
      <SearchBar
        v-else-if="planner.busy === 'policies'"
        label="Planning the alternatives"
        :progress="null"
        @stop="planner.stop"
      />
      <p v-if="planner.trouble" class="stop" role="alert">{{ planner.trouble }}</p>
      <p v-if="planner.isStale && planner.busy !== 'plan'" class="caution" role="status">
        The site or what is demanded has changed since. Find it again.
      </p>
      <div v-if="planner.found.kind === 'conflict'" class="stop conflict" role="alert">
        <p>{{ planner.found.conflict.message }}</p>
        <ul>
          <li v-for="one in planner.found.conflict.demands.filter(({ wayOut }) => wayOut)" :key="one.message">
            {{ one.wayOut }}
            <template v-if="one.costThen !== null"
              >The best plan then costs {{ formatQuantity(one.costThen, 'money') }}.</template
            >
          </li>
        </ul>
      </div>
      <p v-if="planner.found.kind === 'nothing'" class="stop" role="alert">{{ planner.found.message }}</p>
      <p v-for="camera in excluded" :key="camera.message" class="caution" data-excluded>
        {{ camera.message }}
      </p>
      <p v-for="gap in gaps" :key="gap.productId" class="caution" data-gap>{{ gap.message }}</p>
      <template v-if="planner.plan">
        <p class="tiny dim">Rests on {{ standsOn }}.</p>
        <TotalsRow
          :totals="planner.plan.totals"
          :proof="planner.plan.proof"
          :currency="about.currency"
          :years="planner.plan.demands.years"
        />
        <p v-for="buy in planner.plan.buys" :key="buy.productId + buy.placeId" class="tiny">
          Buys {{ buy.count }} × {{ catalogueOf(openSite).products.get(buy.productId)?.name }} for
          {{ openSite.place[buy.placeId]?.name }}.
        </p>
        <div ref="rowsBox" class="rows">
          <table aria-label="The plan, camera by camera">
            <thead>
              <tr>
                <td />
                <th>Camera</th>
                <th>chosen now</th>
                <th>the plan has</th>
                <th class="num">Cost</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="{ run, kind, cost, differs, locked } in rows"
                :key="run.run.id"
                :data-run="run.run.id"
                :class="{ here: run.run.id === selection.runId }"
                @click="selection.select(run.run.id)"
              >
                <td class="mono dim">{{ run.camera.number }}</td>
                <td>{{ run.camera.name }}</td>
                <td class="dim">
                  {{ run.chosen ? optionRow(run.chosen).label : '—' }}<em v-if="locked"> locked</em>
                </td>
                <td :class="{ differs }">{{ kind ? optionRow(kind).label : 'left out' }}</td>
                <td class="num mono">{{ cost === null ? '' : formatQuantity(cost, 'money') }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <ReasonBox
          v-if="selection.current"
          class="why"
          :title="`${selection.current.camera.number} ${selection.current.camera.name}`"
          :reason="reason"
          :turns="turns"
          :busy="planner.busy === 'reason'"
          :is-left-out="planner.plan?.options[selection.current.camera.id] === undefined"
        />
        <p v-else class="dim tiny">
          Pick a camera to see why the plan has this for it, and what would change it.
        </p>
      </template>
      <div v-else-if="planner.found.kind === 'none' && planner.busy !== 'plan'" class="empty">
        <strong>One plan for all cameras together.</strong>Set the requirements on the left, then press “Find
        the best plan”. Every camera gets the option that makes the whole site cheapest, with what cameras
        share counted once; locked choices stay. It is worked out beside the screen, and can be stopped.
      </div>
    </div>
  </div>
</template>

<style scoped>
.best {
  display: grid;
  grid-template-columns: 318px minmax(0, 1fr);
  gap: 16px;
}
.left {
  min-height: 0;
  border-right: 1px solid var(--rule);
}
.right {
  display: flex;
  flex-direction: column;
  gap: 7px;
  min-height: 0;
  min-width: 0;
}
.acts {
  gap: 8px;
  flex-wrap: wrap;
}
.conflict ul {
  font-weight: 400;
  padding-top: 4px;
}
.rows {
  flex: 1 1 220px;
  min-height: 130px;
  overflow: auto;
  scrollbar-width: thin;
  border-top: 1px solid var(--rule-strong);
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
thead td {
  position: sticky;
  top: 0;
  background: var(--paper);
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 2px 6px;
}
td {
  padding: 2px 6px;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
  white-space: nowrap;
}
tr {
  cursor: pointer;
}
.here {
  background: var(--copper-3);
}
.differs {
  font-weight: 600;
}
.num {
  text-align: right;
}
.why {
  flex: 1 1 190px;
  min-height: 120px;
}
em {
  color: var(--copper);
  font-style: normal;
  font-size: 11px;
}
@media (max-width: 1000px) {
  .best {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    border: 0;
  }
  .rows {
    overflow-x: auto;
  }
}
</style>
