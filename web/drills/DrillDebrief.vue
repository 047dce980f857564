<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { computed, ref } from 'vue';
import {
  drillRunId,
  mostOf,
  othersAt,
  scoreParts,
  trueWords,
  type Answer,
  type Debrief,
  type DrillPlay,
} from '#core/test/drills';
import { causeWords } from '#core/test/diagnosis';
import { testDefinition } from '#core/model/site';
import { formatFigure } from '#core/shared/units';
import { useDrills } from '../stores/drills';

/** How it really was, what each reading was worth, and the way that the program would have gone. */
const { play, answer, debrief } = defineProps<{ play: DrillPlay; answer: Answer; debrief: Debrief }>();
const emit = defineEmits<{ again: [] }>();
const drills = useDrills();
const drill = computed(() => play.drill);
const best = computed(() => debrief.best);
const score = computed(() => debrief.score);
const labels = {
  cause: 'Cause',
  metre: 'Metre',
  minutes: 'Minutes',
  moves: 'Climbs and disconnections',
  money: 'Money',
  record: 'Record',
} as const;

interface Row {
  what: string;
  minutes: number;
  bits: string;
  says: string;
}
function rowsOf(of: DrillPlay, worth: Debrief['worth']['mine']): Row[] {
  return of.steps.flatMap(({ move, minutes }, index): Row[] => {
    if (move.kind !== 'test') return [];
    const one = worth[index];
    return [
      {
        what: testDefinition(move.test).label,
        minutes,
        bits: one ? formatFigure(one.bits, '', 1) : '',
        says: one ? `${one.label} ${Math.round(100 * one.chance)} %` : '',
      },
    ];
  });
}
const mine = computed(() => rowsOf(play, debrief.worth.mine));
const bests = computed(() => rowsOf(best.value, debrief.worth.best));
const said = computed(() => {
  const [first] = Object.entries(answer.chances).sort((a, b) => b[1] - a[1]);
  return first
    ? `${causeWords[first[0] as keyof typeof causeWords].label} ${Math.round(100 * first[1])} %`
    : 'nothing';
});

/** Where things are on a line of so many pixels. */
const [width, x0, x1] = [520, 40, 500];
const xOf = (atM: number): number =>
  x0 + (Math.max(0, Math.min(drill.value.line.lengthM, atM)) / drill.value.line.lengthM) * (x1 - x0);
const saidSpread = computed(() =>
  answer.metre ? (answer.metre.spreadM / drill.value.line.lengthM) * (x1 - x0) : 0,
);

const { copy, copied } = useClipboard();
const result = computed(
  () => `${drill.value.id} ${score.value.total} points ${Math.round(play.minutes)} min`,
);
const colleagues = computed(() => othersAt(drills.all, drill.value.id, drills.person));
const other = ref('');
/** Somebody else’s line of the same drill, beside one’s own. */
const others = computed(() => {
  const read = /^(\S+) (\d+) points (\d+) min$/.exec(other.value.trim());
  if (!read) return other.value.trim() ? 'That is no line of a result.' : '';
  return read[1] === drill.value.id
    ? `They: ${read[2]} points in ${read[3]} min. You: ${score.value.total} in ${Math.round(play.minutes)}.`
    : `That is of another drill, ${read[1]}.`;
});
</script>

<template>
  <div class="debrief">
    <div v-if="play.ended?.kind === 'unsafe'" class="stop" role="alert">
      <p><b>It ended here: that was not safe.</b></p>
      <p>{{ play.ended.why }}</p>
    </div>
    <section class="sum" aria-label="Points">
      <p class="total">
        <b class="mono">{{ score.total }}</b> of 100
      </p>
      <table aria-label="Points">
        <tbody>
          <tr v-for="part in scoreParts" :key="part">
            <th scope="row">{{ labels[part] }}</th>
            <td class="num mono">{{ formatFigure(score.parts[part], '', 1) }}</td>
            <td class="dim">of {{ mostOf[part] }}</td>
          </tr>
          <tr v-if="score.hints > 0">
            <th scope="row">Hints</th>
            <td class="num mono">−{{ 3 * score.hints }}</td>
            <td></td>
          </tr>
        </tbody>
      </table>
    </section>
    <section aria-label="How it was">
      <h2>How it was</h2>
      <p>
        {{ trueWords(drill) }} You said {{ said }}.
        <template v-if="score.lost > 0"
          >What you decided costs {{ Math.round(score.lost) }} more than the best would have.</template
        >
      </p>
      <svg :viewBox="`0 0 ${width} 64`" :width="width" role="img" :aria-label="trueWords(drill)">
        <line :x1="x0" :x2="x1" y1="32" y2="32" stroke="var(--copper)" stroke-width="4" />
        <rect x="4" y="24" width="36" height="16" fill="var(--sheet)" stroke="var(--ink)" />
        <circle :cx="x1 + 8" cy="32" r="5" fill="var(--sheet)" stroke="var(--ink)" />
        <template v-if="answer.metre">
          <rect
            :x="xOf(answer.metre.atM) - saidSpread"
            :width="Math.max(2, 2 * saidSpread)"
            y="26"
            height="12"
            fill="var(--ochre)"
            opacity="0.4"
          />
          <text :x="xOf(answer.metre.atM)" y="56" text-anchor="middle">
            you {{ Math.round(answer.metre.atM) }} m
          </text>
        </template>
        <template v-if="drill.truth.atM !== undefined">
          <line
            :x1="xOf(drill.truth.atM)"
            :x2="xOf(drill.truth.atM)"
            y1="18"
            y2="46"
            stroke="var(--madder)"
            stroke-width="2.5"
          />
          <text :x="xOf(drill.truth.atM)" y="13" text-anchor="middle">
            {{ Math.round(drill.truth.atM) }} m
          </text>
        </template>
      </svg>
      <p class="lesson">{{ drill.lesson }}</p>
    </section>
    <section class="paths">
      <div>
        <h2>Your way, {{ Math.round(play.minutes) }} min</h2>
        <table aria-label="Your way">
          <thead>
            <tr>
              <th>Test</th>
              <th class="num">min</th>
              <th class="num">bits</th>
              <th>The program would then say</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in mine" :key="index">
              <td>{{ row.what }}</td>
              <td class="num mono">{{ Math.round(row.minutes) }}</td>
              <td class="num mono">{{ row.bits }}</td>
              <td>{{ row.says }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div>
        <h2>The best way, {{ Math.round(best.minutes) }} min</h2>
        <table aria-label="The best way">
          <thead>
            <tr>
              <th>Test</th>
              <th class="num">min</th>
              <th class="num">bits</th>
              <th>The program would then say</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in bests" :key="index">
              <td>{{ row.what }}</td>
              <td class="num mono">{{ Math.round(row.minutes) }}</td>
              <td class="num mono">{{ row.bits }}</td>
              <td>{{ row.says }}</td>
            </tr>
          </tbody>
        </table>
        <p class="dim tiny">This drill asks for {{ formatFigure(debrief.bits, '', 1) }} bits.</p>
      </div>
    </section>
    <section aria-label="Two people">
      <h2>With somebody else</h2>
      <table v-if="colleagues.length > 0" aria-label="Others at this drill">
        <thead>
          <tr>
            <th>Who, the first time</th>
            <th class="num">Points</th>
            <th class="num">min</th>
            <th v-for="part in scoreParts" :key="part" class="num part">{{ labels[part] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr class="me">
            <td>You, now</td>
            <td class="num mono">{{ score.total }}</td>
            <td class="num mono">{{ Math.round(play.minutes) }}</td>
            <td v-for="part in scoreParts" :key="part" class="num mono part">
              {{ Math.round(score.parts[part]) }}
            </td>
          </tr>
          <tr v-for="one in colleagues" :key="one.by">
            <td>{{ one.by }}</td>
            <td class="num mono">{{ one.total }}</td>
            <td class="num mono">{{ Math.round(one.minutes) }}</td>
            <td v-for="part in scoreParts" :key="part" class="num mono part">
              {{ Math.round(one.parts[part]) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="row">
        <span class="mono">{{ result }}</span>
        <button type="button" class="btn small" @click="copy(result)">
          {{ copied ? 'Copied' : 'Copy' }}
        </button>
      </p>
      <p class="dim tiny">
        Who opens the code {{ drill.id.toUpperCase() }} plays the same drill and reads the same. Put their
        line here:
      </p>
      <p class="row">
        <input v-model="other" class="field" aria-label="Line of somebody else" maxlength="80" />
        <span role="status">{{ others }}</span>
      </p>
    </section>
    <p class="row">
      <button type="button" class="btn" @click="emit('again')">Play it again</button>
      <RouterLink class="btn" to="/drills">Another drill</RouterLink>
    </p>
    <p class="dim tiny">
      A drill teaches looking. On site, local codes and licensed people decide what is safe.
      <span v-if="play.site.run[drillRunId]?.state !== 'live'">The run was left dead.</span>
    </p>
  </div>
</template>

<style scoped>
.debrief section {
  padding: 8px 0;
}
.sum {
  display: flex;
  flex-wrap: wrap;
  gap: 28px;
  align-items: center;
}
.total b {
  font-size: 34px;
}
.paths {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 24px;
}
table {
  border-collapse: collapse;
}
table + p {
  padding-top: 8px;
}
.paths table {
  width: 100%;
}
th,
td {
  padding: 3px 10px 3px 0;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  text-align: left;
  vertical-align: top;
}
.num {
  text-align: right;
}
svg {
  display: block;
  max-width: 100%;
  height: auto;
}
svg text {
  font-size: 12px;
  fill: var(--ink);
}
@media (max-width: 700px) {
  .part {
    display: none;
  }
}
.lesson {
  padding: 8px 12px;
  border-left: 3px solid var(--verdigris);
  background: var(--sheet);
  font-weight: 600;
}
.field {
  width: 260px;
  max-width: 100%;
  min-height: 28px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.row {
  flex-wrap: wrap;
  gap: 8px;
}
</style>
