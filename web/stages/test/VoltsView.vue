<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { feedSource, inferFeed } from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import { powerFixes, railAt } from '#core/test/volts';
import MarginBar from '../../parts/MarginBar.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useMeasures } from '../../stores/measures';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';

/** The feed of a run: what two readings say of it, what other ways of feeding would do, and the whole rail it hangs on. */
const { evaluation } = defineProps<{ evaluation: RunSummary }>();
const store = useSite();
const openSite = useOpenSite();
const selection = useSelection();
const own = useMeasures();

const readings = computed(() => readingsByRun(openSite.value));
const ofRun = computed(() => readings.value.get(evaluation.run.id) ?? {});
const source = computed(() => feedSource(openSite.value, evaluation.run));
const inference = computed(() =>
  inferFeed(evaluation.camera, source.value, evaluation.findings.powerLoop, ofRun.value),
);
const fixes = computed(() => powerFixes(openSite.value, evaluation.run, evaluation.camera, ofRun.value));
const supply = computed(() =>
  evaluation.run.feed.kind === 'local-adapter' ? null : openSite.value.supply[evaluation.run.feed.supplyId]!,
);

/** The setting that is being tried; nothing is noted until it is set. */
const tried = ref<number | null>(null);
watch(
  () => supply.value?.id,
  () => (tried.value = null),
);
const setting = computed({
  get: () => tried.value ?? supply.value?.setVolts ?? 0,
  set: (volts) => (tried.value = volts),
});
const rail = computed(() =>
  supply.value ? railAt(openSite.value, supply.value, setting.value, readings.value) : null,
);
const range = computed(() => rail.value?.range ?? { minVolts: 0, maxVolts: 0 });

/** The scale of the strips: from under the lowest of all windows to over the highest of all volts. */
const scale = computed(() => {
  const cameras = rail.value?.cameras ?? [];
  const low = Math.min(...cameras.map(({ minVolts }) => minVolts), setting.value) * 0.82;
  return {
    low,
    high:
      Math.max(...cameras.map(({ maxVolts, idleVolts }) => Math.max(maxVolts, idleVolts)), setting.value) *
      1.04,
  };
});
const stripWidth = 260;
const x = (volts: number) =>
  Math.max(
    0,
    Math.min(stripWidth, ((volts - scale.value.low) / (scale.value.high - scale.value.low)) * stripWidth),
  );
const volts = (value: number) => (value === 0 ? 'collapses' : own.quantity(value, 'V'));

function keepSetting(): void {
  if (!supply.value) return;
  store.change(`${supply.value.name} set to ${setting.value} V`, [
    { kind: 'supply', id: supply.value.id, set: { ...supply.value, setVolts: setting.value } },
  ]);
  tried.value = null;
}
</script>

<template>
  <div class="volts">
    <p v-if="inference" class="message">{{ inference.message }}</p>
    <p v-else class="message plain-message">
      Read the volts at the camera by day and with the lens covered: the two together tell the loop and
      whether the supply sags.
    </p>
    <p v-if="!source.isNoted" class="message plain-message">
      Fed from {{ source.name }}: {{ own.quantity(source.volts, 'V') }} are left where it splits, with all of
      them at their worst.
    </p>
    <section v-if="supply && rail">
      <div class="row head">
        <h2>{{ supply.name }}, all on its rail</h2>
        <label class="row trim"
          >set to
          <input
            v-model.number="setting"
            type="range"
            :min="range.minVolts"
            :max="range.maxVolts"
            step="0.1"
            :disabled="range.minVolts === range.maxVolts"
            aria-label="Setting of the rail"
            :aria-valuetext="own.quantity(setting, 'V')"
          />
          <QuantityField
            :value="Math.round(setting * 10) / 10"
            unit="V"
            label="Volts tried"
            :digits="1"
            :allowed="fitting('supply', 'setVolts', 'V')"
            @take="(next) => (setting = next)"
          />
        </label>
        <button
          v-if="tried !== null && tried !== supply.setVolts"
          type="button"
          class="btn small"
          @click="keepSetting"
        >
          Note this setting
        </button>
        <button
          v-if="tried !== null && tried !== supply.setVolts"
          type="button"
          class="btn small"
          @click="tried = null"
        >
          Back to {{ own.quantity(supply.setVolts, 'V') }}
        </button>
      </div>
      <p class="rail-message">{{ rail.message }}</p>
      <table aria-label="Cameras on the rail">
        <thead>
          <tr>
            <th>Camera</th>
            <th class="num">by day, cold</th>
            <th class="num">at night</th>
            <th>its window</th>
            <td />
            <th class="num">needs</th>
            <th class="num">bears</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="camera in rail.cameras"
            :key="camera.runId"
            :class="{ own: camera.runId === evaluation.run.id }"
            :data-on-rail="camera.number"
            @click="selection.select(camera.runId)"
          >
            <td>
              <span class="mono dim">{{ camera.number }}</span> {{ camera.name }}
            </td>
            <td class="num mono">{{ volts(camera.idleVolts) }}</td>
            <td class="num mono">{{ volts(camera.nightVolts) }}</td>
            <td>
              <svg
                :width="stripWidth"
                height="16"
                role="img"
                :aria-label="`between ${own.quantity(camera.minVolts, 'V')} and ${own.quantity(camera.maxVolts, 'V')}: ${camera.status}`"
              >
                <rect
                  :x="x(camera.minVolts)"
                  :width="x(camera.maxVolts) - x(camera.minVolts)"
                  y="2"
                  height="12"
                  class="window"
                />
                <line :x1="x(setting)" :x2="x(setting)" y1="0" y2="16" class="set" />
                <line
                  :x1="x(camera.nightVolts)"
                  :x2="x(camera.idleVolts)"
                  y1="8"
                  y2="8"
                  class="span"
                  :class="camera.status"
                />
                <circle :cx="x(camera.nightVolts)" cy="8" r="4" class="night" :class="camera.status" />
                <circle :cx="x(camera.idleVolts)" cy="8" r="3" class="day" :class="camera.status" />
              </svg>
            </td>
            <td><MarginBar :utilisation="camera.utilisation" :state="camera.status" /></td>
            <td class="num mono">{{ own.quantity(camera.needsVolts, 'V') }}</td>
            <td class="num mono">{{ own.quantity(camera.bearsVolts, 'V') }}</td>
          </tr>
        </tbody>
      </table>
      <p class="tiny dim">
        Filled: at night. Ring: by day on a frosty one. The band is what the camera takes; the line is the
        setting.
      </p>
    </section>
    <section v-if="fixes.length">
      <h2>What if camera {{ evaluation.camera.number }} were fed otherwise</h2>
      <table aria-label="Other ways of feeding">
        <tbody>
          <tr v-for="fix in fixes" :key="fix.label" :data-fix="fix.kind">
            <td>{{ fix.label }}</td>
            <td class="num mono">{{ volts(fix.nightVolts) }}</td>
            <td><MarginBar :utilisation="fix.utilisation" :state="fix.status" /></td>
            <td class="dim">{{ fix.needs }}</td>
          </tr>
        </tbody>
      </table>
      <p class="tiny dim">
        Polarity before power: reversed polarity destroys cameras. Mains outlets and fixed wiring are for
        licensed people, under the local code.
      </p>
    </section>
    <p v-if="!supply" class="dim">
      This camera has an adapter of its own: there is no rail to trim and no long loop to mend.
    </p>
  </div>
</template>

<style scoped>
.volts {
  display: grid;
  gap: 12px;
}
.label {
  border-left: 3px solid var(--copper);
  padding: 6px 12px;
  background: var(--copper-3);
}
.plain-message {
  background: var(--sheet);
}
.head {
  align-items: center;
  flex-wrap: wrap;
}
.trim {
  align-items: center;
}
.trim input {
  width: 200px;
  accent-color: var(--copper);
}
.trim :deep(.quantity) {
  width: 92px;
}
.rail-message {
  padding: 4px 0;
  font-weight: 600;
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
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 3px 8px;
  border-bottom: 1px solid var(--rule);
}
th.num,
.num {
  text-align: right;
  white-space: nowrap;
}
tbody tr {
  cursor: default;
}
.own {
  background: var(--copper-3);
}
.window {
  fill: var(--verdigris-3);
  stroke: var(--verdigris-2);
}
.set {
  stroke: var(--ink-3);
  stroke-dasharray: 2 2;
}
.span {
  stroke-width: 3;
  stroke: var(--verdigris);
}
.night {
  fill: var(--verdigris);
}
.day {
  fill: var(--sheet);
  stroke: var(--verdigris);
  stroke-width: 2;
}
.span.close {
  stroke: var(--ochre);
}
.night.close {
  fill: var(--ochre);
}
.day.close {
  stroke: var(--ochre);
}
.span.fails {
  stroke: var(--madder);
}
.night.fails {
  fill: var(--madder);
}
.day.fails {
  stroke: var(--madder);
}
@media (max-width: 700px) {
  [aria-label='Cameras on the rail'] :is(th, td):nth-child(4) {
    display: none;
  }
  section {
    overflow-x: auto;
  }
  td,
  th {
    padding-inline: 4px;
  }
}
</style>
