<script setup lang="ts">
import { optionRow, type OptionKind, testDefinition } from '#core/model/site';
import { computed, ref, watch } from 'vue';
import { gambleShare, mostWorthTesting, riskStatus, type CameraRisk } from '#core/decide/risk';
import { formatQuantity } from '#core/shared/units';
import { useKeys } from '../../../keys/keys';
import MarginBar from '../../../parts/MarginBar.vue';
import PickField from '../../../parts/PickField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import { whole } from '../../../parts/within';
import { useEvaluation } from '../../../stores/evaluation';
import { useOpenEvaluation } from '../../../stores/openSite';
import { usePlanner } from '../../../stores/planner';
import { useSelection } from '../../../stores/selection';
import SearchBar from './SearchBar.vue';

/** How likely it is that something chosen does not hold once it is built, and which test would tell beforehand. */
const evaluation = useEvaluation();
const summary = useOpenEvaluation();
const selection = useSelection();
const planner = usePlanner();
const scenarios = 10_000;
const seed = ref(1);
const of = ref<'chosen' | 'plan'>(planner.plan ? 'plan' : 'chosen');
const choices = computed(() => [
  { value: 'chosen' as const, label: 'What is chosen so far' },
  ...(planner.plan ? [{ value: 'plan' as const, label: 'The plan in hand' }] : []),
]);
const options = computed<Record<string, OptionKind>>(() =>
  of.value === 'plan' && planner.plan
    ? planner.plan.options
    : Object.fromEntries(
        summary.value.runs.flatMap(({ camera, chosen }) => (chosen ? [[camera.id, chosen]] : [])),
      ),
);
const count = computed(() => Object.keys(options.value).length);
const draw = () => void (count.value > 0 && planner.sampleScenarios(options.value, scenarios, seed.value));
watch(() => [evaluation.result, of.value, seed.value], draw, { immediate: true });

const worth = computed(() => (planner.risk ? mostWorthTesting(planner.risk) : null));
const percent = (share: number) =>
  share === 0 ? '0 %' : share < 0.001 ? '< 0.1 %' : formatQuantity(share * 100, '%', share < 0.1 ? 1 : 0);
/** From such a chance on, a steel core is worth a word. */
const worthSaying = 0.1;
const whatBreaks = ({ by, steelChance }: CameraRisk): string =>
  [by, steelChance >= worthSaying && `${percent(steelChance)} likely a steel core`]
    .filter(Boolean)
    .join('; ');
function open(cameraId: string): void {
  const run = summary.value.runs.find(({ camera }) => camera.id === cameraId);
  if (run) void selection.go({ stage: 'test', runId: run.run.id });
}
useKeys([
  { keys: ['f'], label: 'simulate again', group: 'Risk', run: draw },
  { keys: ['Escape'], label: 'stop', group: 'Risk', run: planner.stop },
]);
</script>

<template>
  <div class="risk">
    <div class="row acts">
      <PickField :value="of" :choices="choices" label="Whose risk" @take="(next) => (of = next)" />
      <label class="row seed"
        ><span class="dim tiny">random seed</span
        ><QuantityField
          :value="seed"
          unit=""
          label="Seed"
          :allowed="whole(0, 1_000_000)"
          @take="(next) => (seed = next)"
      /></label>
      <button type="button" class="btn" :disabled="count === 0" @click="draw">
        Simulate again <kbd>f</kbd>
      </button>
    </div>
    <div v-if="count === 0" class="empty">
      <strong>Nothing is chosen yet.</strong>Choose options, or find a plan; then ten thousand scenarios show
      what might not hold.
    </div>
    <template v-else>
      <SearchBar
        v-if="planner.busy === 'scenarios'"
        :label="`Simulating …, ${planner.risk?.drawn ?? 0} of ${scenarios}`"
        :progress="null"
        @stop="planner.stop"
      />
      <template v-if="planner.risk">
        <p class="message">
          In <b class="mono" data-any>{{ percent(planner.risk.anyFails) }}</b> of
          {{ formatQuantity(planner.risk.drawn, 'money') }} scenarios at least one camera would not hold as
          built; <b class="mono">{{ planner.risk.failsOnAverage.toFixed(2) }}</b> fail on average.
        </p>
        <p v-if="worth && worth.test" class="worth">
          Most worth testing before anybody signs:
          <b>camera {{ worth.number }}, {{ testDefinition(worth.test).label.toLowerCase() }}</b
          >. It would save
          {{ worth.savesHours < 0.1 ? 'a few minutes' : formatQuantity(worth.savesHours, 'h') }} of work on
          average. <button type="button" class="btn small" @click="open(worth.cameraId)">To its bench</button>
        </p>
        <p v-else class="dim">No test that is left would tell more about what could fail.</p>
        <div class="rows" tabindex="0" role="group" aria-label="Chances, camera by camera">
          <table aria-label="Risk by camera">
            <thead>
              <tr>
                <td />
                <th>Camera</th>
                <th>option</th>
                <th>fails</th>
                <td />
                <th>mostly by</th>
                <th>test to take first</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in planner.risk.cameras" :key="one.cameraId" :data-camera="one.cameraId">
                <td class="mono dim">{{ one.number }}</td>
                <td>{{ one.name }}</td>
                <td>{{ optionRow(one.option).label }}</td>
                <td>
                  <MarginBar
                    :utilisation="one.fails / gambleShare"
                    :state="riskStatus(one.fails)"
                    :width="90"
                  />
                </td>
                <td class="mono num">{{ percent(one.fails) }}</td>
                <td class="dim">{{ whatBreaks(one) }}</td>
                <td class="dim">
                  {{
                    one.test
                      ? testDefinition(one.test).label
                      : one.fails > 0
                        ? 'no test; more to spare would help'
                        : ''
                  }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="tiny dim">
          The bar’s tick is one in ten. Loops, losses, lengths and loads vary by their uncertainty: a reading
          by a few per cent, a table by twelve. How likely a coax is copper-clad steel follows from its own
          readings, its print and tested runs of the same cable; where nothing is known it is 3 %. The same
          seed gives the same simulation.
        </p>
      </template>
    </template>
  </div>
</template>

<style scoped>
.risk {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
.acts {
  gap: 12px;
  align-items: center;
}
.seed {
  align-items: center;
  gap: 5px;
  width: 120px;
}
.label {
  font-size: 15px;
}
.worth {
  border-left: 3px solid var(--copper);
  padding-left: 10px;
}
.rows {
  flex: 1;
  min-height: 0;
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
  padding: 2px 6px;
}
td {
  padding: 2px 6px;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
}
.num {
  text-align: right;
}
</style>
