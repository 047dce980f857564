<script setup lang="ts">
import { computed, ref } from 'vue';
import type { RunDiagnostics } from '#core/evaluate';
import type { WorthOfTesting } from '#core/decide/risk';
import { aboutOf, optionRow, testDefinition, type Mending, type Trouble } from '#core/model/site';
import { untilSafe } from '#core/test/findings';
import { causeWords, type NextTest, type RankedSet } from '#core/test/diagnosis';
import type { Mended } from '#core/test/readings';
import MarginBar from '../../parts/MarginBar.vue';
import { useOpenSite } from '../../stores/openSite';
import { useMeasures } from '../../stores/measures';
import MendingDialog from './MendingDialog.vue';
import SpokenWords from './SpokenWords.vue';
import { savedInWords } from './savedInWords';

/** What is most likely wrong, what speaks for and against it, and what would tell most now. */
const { insight, mended } = defineProps<{ insight: RunDiagnostics; mended: Mended }>();
const emit = defineEmits<{ mended: [of: Pick<Mending, 'found' | 'did' | 'changedLine'>] }>();
const own = useMeasures();
const diagnosis = computed(() => insight.diagnosis);
const forPlan = computed(() => insight.forPlan);
const site = useOpenSite();
const currency = computed(() => aboutOf(site.value).currency);

/** Below this a cause is only named in passing. */
const worthALine = 0.03;
const shown = computed(() =>
  diagnosis.value.ranked.filter(({ probability }, index) => index < 2 || probability >= worthALine),
);
const others = computed(() =>
  diagnosis.value.ranked
    .filter((cause) => !shown.value.includes(cause))
    .map(({ label }) => label.toLowerCase())
    .join(', '),
);
/** Sets worth telling: where two troubles at once are not out of the question. */
const togetherFrom = 0.08;
const together = computed(() => {
  const sets = diagnosis.value.sets.filter(({ probability }) => probability >= worthALine);
  return sets.some(({ troubles, probability }) => troubles.length > 1 && probability >= togetherFrom)
    ? sets
    : [];
});
const noting = ref(false);
const possible = computed(() =>
  diagnosis.value.ranked.flatMap(({ cause }): Trouble[] => (cause === 'sound' ? [] : [cause])),
);
const foundWords = ({ found }: Mending): string =>
  found.length === 0
    ? 'nothing was wrong'
    : joined.format(found.map((trouble) => causeWords[trouble].label.toLowerCase()));
const day = (at: string): string => new Date(at).toLocaleDateString([], { dateStyle: 'medium' });
const joined = new Intl.ListFormat('en', { type: 'conjunction' });
const setWords = ({ troubles, labels }: RankedSet): string =>
  troubles.length === 1 ? `${labels[0]} alone` : joined.format(labels);
const next = computed(() => diagnosis.value.next.slice(0, 3));
const mostBits = computed(() => Math.max(...next.value.map(({ bits }) => bits)));
const percent = (probability: number) =>
  probability < 0.01 ? '< 1 %' : `${Math.round(probability * 100)} %`;
const saved = ({ savesHours: hours, saves: money, savesNights: nights }: WorthOfTesting): string =>
  savedInWords({ hours, money, nights }, currency.value);
const minutes = ({ minutes: all }: NextTest) => `${Math.max(1, Math.round(all))} min`;
</script>

<template>
  <div v-if="diagnosis.stopped" class="cause">
    <p class="message">{{ untilSafe }}</p>
  </div>
  <div v-else class="cause">
    <p class="message">{{ diagnosis.message }}</p>
    <div v-if="diagnosis.contradictions.length > 0" class="caution" role="status">
      <p v-for="one in diagnosis.contradictions" :key="one">{{ one }}</p>
    </div>
    <table aria-label="Causes">
      <thead>
        <tr>
          <th>Cause</th>
          <th class="num">chance</th>
          <th>speaks for it</th>
          <th>speaks against it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cause in shown" :key="cause.cause" :data-cause="cause.cause">
          <td class="name">
            <b>{{ cause.label }}</b><span v-if="cause.where" class="where mono">{{
              own.place(cause.where.atM, cause.where.withinM)
            }}</span
            ><span class="dim tiny"
              >{{ cause.means }}.{{ cause.probability >= 0.1 ? ` ${cause.remedy}` : '' }}</span
            >
          </td>
          <td class="num mono chance">
            <svg width="56" height="8" aria-hidden="true">
              <rect width="56" height="8" class="ground" />
              <rect :width="56 * cause.probability" height="8" class="part" />
            </svg>
            {{ percent(cause.probability) }}
          </td>
          <td class="words" data-side="speaks for it">
            <SpokenWords v-for="one in cause.pro" :key="one.message" :spoken="one" /><span
              v-if="cause.pro.length === 0"
              class="dim"
              >nothing so far</span
            >
          </td>
          <td class="words" data-side="speaks against it">
            <SpokenWords v-for="one in cause.contra" :key="one.message" :spoken="one" />
          </td>
        </tr>
      </tbody>
    </table>
    <p class="tiny dim">
      Under 3 % each: {{ others }}. Chances are of each being there, alone or with others; up to three at once
      are thought of.
    </p>
    <section v-if="together.length > 0" aria-label="What stands together">
      <h2>What stands together</h2>
      <p class="sets">
        <span v-for="set in together" :key="set.troubles.join()" class="set"
          ><b class="mono">{{ percent(set.probability) }}</b> {{ setWords(set) }}</span
        >
      </p>
    </section>
    <section class="was" aria-label="What it was">
      <h2>What it was</h2>
      <p v-for="mending in mended.mendings" :key="mending.id" data-mending>
        <b>{{ day(mending.at) }}</b>, {{ mending.by }}: {{ foundWords(mending)
        }}{{ mending.did ? `; ${mending.did}` : '' }}.
      </p>
      <p v-if="mended.outdated > 0" class="caution" role="status">
        {{
          mended.outdated === 1
            ? '1 reading is from before the line was changed and no longer counts: read it again.'
            : `${mended.outdated} readings are from before the line was changed and no longer count: read them again.`
        }}
      </p>
      <p>
        <button type="button" class="btn small" @click="noting = true">Note what it was</button>
        <span class="dim tiny"> once somebody has looked. What was said of the run is held against it.</span>
      </p>
      <MendingDialog v-model:visible="noting" :possible="possible" @noted="emit('mended', $event)" />
    </section>
    <div class="two">
      <section class="next">
        <h2>Recommended next test</h2>
        <ol>
          <li v-for="one in next" :key="one.test.id" :data-test="one.test.id">
            <b>{{ one.test.label }}</b>
            <span class="worth" aria-hidden="true" title="how much it is expected to tell"
              ><span :style="{ width: `${(100 * one.bits) / mostBits}%` }"
            /></span>
            <span class="mono">{{ minutes(one) }}</span><span v-if="one.needs.length" class="dim">
              with {{ one.needs.join(', ') }}</span
            >
            <span class="dim tiny">. {{ one.test.connect }}</span>
          </li>
        </ol>
        <p v-if="next.length === 0" class="dim">No test is left that would change this picture.</p>
        <p v-if="forPlan" class="plan" data-for-plan>
          For what is chosen: <b>{{ forPlan.test.label.toLowerCase() }}</b>,
          {{ Math.max(1, Math.round(forPlan.minutes)) }} min. In {{ percent(forPlan.fails) }} of simulations
          “{{ optionRow(forPlan.option).label }}” would not hold as built, mostly by {{ forPlan.by }}. Knowing
          first saves {{ saved(forPlan) }} on average.
        </p>
      </section>
      <section>
        <h2>What the run is fit for</h2>
        <p class="fit">
          {{ insight.uses.message }}
          <span v-if="insight.uses.worthReading.length" class="dim"
            >Could change it:
            <template v-for="(worth, index) in insight.uses.worthReading" :key="worth.test"
              >{{ index ? '; ' : '' }}{{ testDefinition(worth.test).label.toLowerCase() }} ({{
                worth.uses.join(', ')
              }})</template
            >.</span
          >
        </p>
        <table aria-label="Uses">
          <tbody>
            <tr v-for="use in insight.uses.uses" :key="use.id" :data-use="use.id">
              <td class="use">{{ use.label }}</td>
              <td class="bar">
                <MarginBar :utilisation="use.margins[0]?.utilisation ?? null" :state="use.status" />
              </td>
              <td>{{ use.message }}</td>
              <td class="dim">{{ use.basis }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </div>
</template>

<style scoped>
.sets {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.worth {
  display: inline-block;
  width: 56px;
  height: 7px;
  margin: 0 8px;
  background: var(--rule);
}
.worth span {
  display: block;
  height: 100%;
  background: var(--copper);
}
.cause {
  display: grid;
  gap: 10px;
}
.label {
  font-size: 15px;
  font-weight: 600;
  border-left: 3px solid var(--copper);
  padding: 4px 12px;
  background: var(--copper-3);
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
  padding: 5px 8px;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
  font-size: 12px;
}
.num {
  text-align: right;
  white-space: nowrap;
}
.name {
  width: 32%;
}
.name b {
  font-size: 13px;
  margin-right: 8px;
}
.name .tiny {
  display: block;
}
.where {
  color: var(--madder);
  white-space: nowrap;
}
.words .dim {
  display: block;
}
.ground {
  fill: var(--rule);
}
.part {
  fill: var(--copper);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 24px;
  align-items: start;
}
.two td {
  padding: 3px 6px;
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: 1fr;
  }
}
.use {
  width: 30%;
}
.fit {
  padding: 2px 0 4px;
}
.plan {
  border-left: 3px solid var(--copper);
  padding: 2px 0 2px 10px;
  margin-top: 8px;
}
.next ol {
  list-style: decimal inside;
  display: grid;
  gap: 3px;
  padding-top: 4px;
}
@media (max-width: 700px) {
  thead {
    display: none;
  }
  table,
  tbody {
    display: block;
  }
  tr {
    display: grid;
    grid-template-columns: 1fr auto;
    border-bottom: 1px solid var(--rule);
    padding: 6px 0;
  }
  td {
    border: 0;
  }
  .name {
    width: auto;
  }
  .words {
    grid-column: 1 / -1;
    padding-block: 2px;
  }
  .words:has(span)::before {
    content: attr(data-side);
    font-size: 11px;
    color: var(--ink-2);
  }
}
</style>
