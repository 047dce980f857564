<script setup lang="ts">
import { computed } from 'vue';
import type { NightNow, NightsNow } from '#core/evaluate';
import { taskKind, type Task } from '#core/cutover/tasks';
import { taskTitle } from '#core/cutover/words';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';
import CrewRow from './CrewRow.vue';
import NightBar from './NightBar.vue';
import NightHelp from './NightHelp.vue';
import { darkLines } from './darkLines';
import { linesApart } from './linesApart';
import type { NightScale } from './nightScale';

/** One night on the hours of its shift: bars by person, the dark views underneath, and when it is too late to begin. */
const { night, now, scale, pickedId, minutesNow, numberOf } = defineProps<{
  night: NightNow;
  index: number;
  now: NightsNow;
  scale: NightScale;
  pickedId: string | null;
  /** Minutes after the beginning of its shift that it is; `null` where that is not now. */
  minutesNow: number | null;
  numberOf: (cameraId: string) => number;
}>();
const emit = defineEmits<{ pick: [taskId: string]; drop: [taskId: string, crewId: string] }>();
const nights = useNights();
const tasks = computed(() => new Map(now.tasks.map((task) => [task.id, task])));
const toneOf = ({ kind }: Task): 'build' | 'recorder' | 'camera' =>
  kind === 'recorder-change' || kind === 'patch' || kind === 'rejoin'
    ? 'recorder'
    : taskKind(kind).skills.includes('network')
      ? 'build'
      : 'camera';
const labelOf = (task: Task) => (task.kind === 'swap' ? task.of : taskTitle(task));

const barsOf = (place: number) =>
  night.jobs
    .filter(({ team }) => team.includes(place))
    .map(({ job, start, end, team, latestStart }) => {
      const task = tasks.value.get(job.id)!;
      const tried = night.actual[job.id];
      const state: 'open' | 'under-way' | 'done' | 'put-back' = !tried
        ? 'open'
        : tried.end === null
          ? 'under-way'
          : (tried.how ?? 'done');
      const isSecond = team[0] !== place;
      return {
        id: job.id,
        label: isSecond ? `${labelOf(task)}, second person` : labelOf(task),
        title: `${nights.titleOf(job.id)}, ${nights.clock(start)} to ${nights.clock(end)}, not after ${nights.clock(latestStart)}`,
        tone: toneOf(task),
        left: scale.leftOf(start),
        width: Math.max(0.6, scale.leftOf(end) - scale.leftOf(start)),
        latest: latestStart,
        state,
        isSecond,
        isPinned: task.pinned !== null,
        isLate: !tried && start > latestStart + 1e-9,
      };
    })
    .sort((a, b) => a.left - b.left);
/** So much of the drawing a finger needs of a bar, in percent, however short its task is. */
const leastWidth = 3;
const rows = computed(() =>
  now.crew.map((person, place) => {
    const bars = barsOf(place);
    const lines = linesApart(
      bars.map(({ left, width }) => ({ start: left, end: left + Math.max(width, leastWidth) })),
    );
    return {
      person,
      bars: bars.map((bar, index) => ({ ...bar, line: lines[index]! })),
      lines: 1 + Math.max(0, ...lines),
    };
  }),
);
const dark = computed(() => darkLines(night.dark, numberOf));
const darkHeight = computed(() => 12 * (1 + Math.max(0, ...dark.value.map(({ line }) => line))));
const restarts = computed(() => night.jobs.filter(({ job }) => job.restarts !== null));
const sure = computed(() => Math.floor(100 * night.chance));
const isUnsure = computed(() => night.chance < now.settings.surePercent / 100);
const stateWords = { 'to-come': '', 'under-way': 'under way', over: 'over' } as const;
</script>

<template>
  <section
    class="night"
    :aria-label="`Night ${index + 1}, ${dateWords(night.date)}`"
    :data-night="night.date"
  >
    <div class="about">
      <h2>Night {{ index + 1 }}</h2>
      <p class="mono date">{{ dateWords(night.date) }}</p>
      <p v-if="night.state !== 'to-come'" class="tiny state">{{ stateWords[night.state] }}</p>
      <template v-else>
        <p class="tiny dim">in the shift</p>
        <p class="mono sure" :class="{ low: isUnsure }">{{ sure }} %</p>
      </template>
    </div>
    <div class="lines">
      <div class="over under" aria-hidden="true">
        <span
          v-for="hour in scale.hours"
          :key="hour.at"
          class="hour"
          :style="{ left: `${scale.leftOf(hour.at)}%` }"
        />
        <span class="outside" :style="{ left: 0, width: `${scale.leftOf(0)}%` }" />
        <span class="outside" :style="{ left: `${scale.leftOf(scale.shiftMinutes)}%`, right: 0 }" />
      </div>
      <CrewRow
        v-for="row in rows"
        :key="row.person.id"
        :label="row.person.name"
        :line="`${night.date} ${row.person.id}`"
        :lines="row.lines"
        @drop="(taskId) => emit('drop', taskId, row.person.id)"
      >
        <NightBar
          v-for="bar in row.bars"
          :key="bar.id"
          :task-id="bar.id"
          :label="bar.label"
          :title="bar.title"
          :tone="bar.tone"
          :left="bar.left"
          :width="bar.width"
          :line="bar.line"
          :state="bar.state"
          :is-second="bar.isSecond"
          :is-pinned="bar.isPinned"
          :is-late="bar.isLate"
          :is-picked="bar.id === pickedId"
          :is-fixed="bar.state !== 'open'"
          @pick="emit('pick', bar.id)"
        />
        <span
          v-for="bar in row.bars.filter(({ isSecond, state }) => !isSecond && state === 'open')"
          :key="`latest-${bar.id}`"
          class="latest"
          :class="{ picked: bar.id === pickedId }"
          :style="{ left: `${scale.leftOf(bar.latest)}%` }"
          :title="`${bar.label}: not after ${nights.clock(bar.latest)}`"
        />
      </CrewRow>
      <span class="who mono">dark</span>
      <div class="dark" :style="{ height: `${darkHeight + 4}px` }">
        <template v-for="(line, k) in dark" :key="k">
          <span
            class="band"
            :style="{
              left: `${scale.leftOf(line.start)}%`,
              width: `${Math.max(0.3, scale.leftOf(line.end) - scale.leftOf(line.start))}%`,
              top: `${3 + 12 * line.line}px`,
            }"
          />
          <span
            class="mono number"
            :style="{ left: `${scale.leftOf(line.end)}%`, top: `${12 * line.line - 1}px` }"
            >{{ line.label }}</span
          >
        </template>
      </div>
      <template v-if="night.lifts.length > 0">
        <span class="who mono">lift</span>
        <div class="line-lift">
          <span
            v-for="lift in night.lifts"
            :key="lift.place"
            class="lift"
            :style="{
              left: `${scale.leftOf(lift.start)}%`,
              width: `${scale.leftOf(lift.end) - scale.leftOf(lift.start)}%`,
            }"
          />
        </div>
      </template>
      <div class="over" aria-hidden="true">
        <span
          v-for="one in restarts"
          :key="one.job.id"
          class="restart"
          :style="{ left: `${scale.leftOf(one.start)}%` }"
          >restart</span
        >
        <span v-if="minutesNow !== null" class="moment" :style="{ left: `${scale.leftOf(minutesNow)}%` }" />
      </div>
    </div>
    <p v-for="(one, k) in night.objections" :key="k" class="against tiny" data-objection>
      {{ nights.inWords(one) }}
    </p>
    <NightHelp v-if="isUnsure && night.state === 'to-come'" :date="night.date" />
    <p v-for="{ why } in night.morning.broken" :key="why" class="against tiny" data-morning-broken>
      In the morning after it: {{ why }}
    </p>
  </section>
</template>

<style scoped>
.night {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  padding: 6px 0 8px;
  border-top: 1px solid var(--rule-strong);
}
.about h2 {
  font-size: 13px;
}
.date {
  font-size: 11px;
  color: var(--ink-2);
}
.sure {
  color: var(--verdigris);
  font-size: 12px;
}
.sure.low {
  color: var(--madder);
}
.state {
  font-weight: 600;
}
.lines {
  position: relative;
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
}
.who {
  font-size: 11px;
  color: var(--ink-2);
  text-align: right;
  padding: 1px 8px 0 0;
}
.dark {
  position: relative;
}
.band {
  position: absolute;
  height: 7px;
  background: var(--ink);
}
.number {
  position: absolute;
  padding-left: 3px;
  font-size: 10px;
  color: var(--ink-2);
  white-space: nowrap;
}
.line-lift {
  position: relative;
  height: 14px;
}
.lift {
  position: absolute;
  top: 5px;
  height: 5px;
  border: 1px solid var(--ochre);
  border-bottom: 0;
}
.over {
  position: absolute;
  inset: 0 0 0 78px;
  pointer-events: none;
}
.hour {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--rule);
}
.outside {
  position: absolute;
  top: 0;
  bottom: 0;
  opacity: 0.6;
  background: repeating-linear-gradient(45deg, transparent 0 4px, var(--rule) 4px 5px);
}
.moment {
  position: absolute;
  top: -4px;
  bottom: 0;
  width: 2px;
  background: var(--copper);
}
.restart {
  position: absolute;
  top: -5px;
  padding-left: 3px;
  border-left: 2px solid var(--ochre);
  font-size: 9px;
  line-height: 9px;
  color: var(--ochre);
}
.latest {
  position: absolute;
  top: -1px;
  height: 6px;
  width: 3px;
  background: var(--madder);
}
.latest.picked {
  top: 0;
  height: 25px;
}
.against {
  grid-column: 2;
  padding: 3px 8px;
  margin: 3px 0 0 78px;
  border-left: 3px solid var(--madder);
  background: var(--madder-2);
}
@media (max-width: 700px) {
  .night {
    grid-template-columns: 1fr;
  }
  .about {
    display: flex;
    gap: 10px;
    align-items: baseline;
  }
  .against {
    grid-column: 1;
    margin-left: 0;
  }
}
</style>
