<script setup lang="ts">
import { computed, ref } from 'vue';
import type { NightsNow } from '#core/evaluate';
import { shiftMinutes } from '#core/cutover/nights';
import { counted } from '#core/shared/labels';
import { beginOf } from '../../workers/nightClock';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';
import { useOpenSite } from '../../stores/openSite';
import CrewRow from './CrewRow.vue';
import NightRow from './NightRow.vue';
import { nightScale } from './nightScale';
import TaskSheet from './TaskSheet.vue';
import type { CutoverView } from './views';

/** All nights of the change in one drawing. */
const { now } = defineProps<{ now: NightsNow }>();
const emit = defineEmits<{ show: [view: CutoverView] }>();
const nights = useNights();
const openSite = useOpenSite();
const scale = computed(() => nightScale(now.settings.shift.start, shiftMinutes(now.settings.shift)));
const numberOf = (cameraId: string): number => openSite.value.camera[cameraId]?.number ?? 0;
const pickedId = ref<string | null>(null);
const picked = computed(() => now.tasks.find(({ id }) => id === pickedId.value) ?? null);
/** What a drop broke: it was not made. */
const refused = ref<{ title: string; why: string[] } | null>(null);

/** The next date that a night could begin on and none is agreed for. */
const freeDate = computed(
  () => now.dates.find((date) => !now.nights.some((night) => night.date === date)) ?? null,
);

async function move(taskId: string, date: string, crewId: string | null): Promise<void> {
  refused.value = null;
  pickedId.value = taskId;
  const why = await nights.move(taskId, { date, crewId });
  if (why.length > 0) refused.value = { title: nights.titleOf(taskId), why };
}

/** Dropped on somebody’s line: it is his where it is one person’s; where it takes more, only the night is meant. */
function drop(taskId: string, date: string, crewId: string): void {
  const task = now.tasks.find(({ id }) => id === taskId);
  if (task) void move(taskId, date, task.people === 1 ? crewId : null);
}

const minutesNowIn = (date: string): number | null => {
  const minutes = (nights.moment - beginOf(date, now.settings.shift.start)) / 60_000;
  return minutes >= -60 && minutes <= scale.value.shiftMinutes + 60 ? minutes : null;
};
</script>

<template>
  <div class="nights">
    <div v-if="now.crew.length === 0" class="caution">
      Nobody is noted who works in the nights.
      <button type="button" class="btn small" @click="emit('show', 'rules')">Crew and rules</button>
    </div>
    <div v-if="now.late.length > 0" class="caution" data-late>
      {{ counted(now.late.length, 'task') }} before the nights should have begun by now, and the nights that
      wait for {{ now.late.length === 1 ? 'it' : 'them' }} will not have what they need. Tick off what is
      done. Where it is not, note when it is ordered, and plan again: no night then comes before its parts.
      <div class="row">
        <button type="button" class="btn small" @click="emit('show', 'tasks')">Tasks</button>
        <button type="button" class="btn small" @click="emit('show', 'rules')">Crew and rules</button>
      </div>
    </div>
    <div v-if="now.nights.length === 0" class="empty">
      <strong>No night is agreed yet.</strong>{{ now.totals.all }} tasks wait for one. “Plan the nights” finds
      the fewest in which all of them are done, and shows what is dark in each.
    </div>
    <template v-else>
      <div class="axis" aria-hidden="true">
        <span
          v-for="hour in scale.hours"
          :key="hour.at"
          class="mono"
          :style="{ left: `${scale.leftOf(hour.at)}%` }"
          >{{ hour.label }}</span
        >
      </div>
      <div class="all" tabindex="0" role="group" aria-label="The nights">
        <NightRow
          v-for="(night, index) in now.nights"
          :key="night.date"
          :night="night"
          :index="index"
          :now="now"
          :scale="scale"
          :picked-id="pickedId"
          :minutes-now="minutesNowIn(night.date)"
          :number-of="numberOf"
          @pick="(id) => (pickedId = pickedId === id ? null : id)"
          @drop="(taskId, crewId) => drop(taskId, night.date, crewId)"
        />
        <div v-if="freeDate" class="free">
          <span class="mono date dim">{{ dateWords(freeDate) }}</span>
          <CrewRow
            label="free"
            :line="`${freeDate} free`"
            @drop="(taskId) => void move(taskId, freeDate!, null)"
            ><span class="tiny dim hint">another night: drop a task here</span></CrewRow
          >
        </div>
      </div>
    </template>
    <div v-if="refused" class="stop" role="alert" data-refused>
      <p>
        <b>{{ refused.title }} stays where it is.</b>
        <button type="button" class="btn small" @click="refused = null">Close</button>
      </p>
      <p v-for="why in refused.why" :key="why">{{ why }}</p>
    </div>
    <div v-if="now.inNone.length > 0 && now.nights.length > 0" class="caution" data-in-none>
      In no night yet: {{ now.inNone.map(nights.titleOf).join('; ') }}. Plan again, give each a night under
      Tasks, or leave it out there.
    </div>
    <div v-if="now.gone.length > 0" class="caution">
      {{ now.gone.length }} task{{ now.gone.length === 1 ? ' is' : 's are' }} agreed that nothing is decided
      for any more. Plan again.
    </div>
    <TaskSheet
      v-if="picked"
      :task="picked"
      :now="now"
      @move="(date, crewId) => picked && void move(picked.id, date, crewId)"
      @close="pickedId = null"
    />
    <p v-else-if="now.nights.length > 0" class="tiny dim foot">
      The red tick is the latest start that still leaves time to go back. Hatched: outside the shift. Dark
      times are where in a task they likely fall. Drag a bar to another night or person; what must not be is
      said.
    </p>
  </div>
</template>

<style scoped>
.nights {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 0;
}
.nights.view {
  overflow: hidden;
}
.caution .row {
  margin-top: 4px;
}
.axis {
  position: relative;
  flex: none;
  height: 16px;
  margin-left: 170px;
  font-size: 11px;
  color: var(--ink-2);
}
.axis span {
  position: absolute;
  transform: translateX(-50%);
}
.axis span:first-child {
  transform: none;
}
.axis span:last-child {
  transform: translateX(-100%);
}
.all {
  flex: 1;
  min-height: 120px;
  overflow: hidden auto;
  scrollbar-width: thin;
}
.free {
  display: grid;
  grid-template-columns: 92px 78px minmax(0, 1fr);
  border-top: 1px solid var(--rule-strong);
}
.free .date {
  font-size: 11px;
  padding-top: 5px;
}
.hint {
  position: absolute;
  left: 10px;
  top: 5px;
}
.foot {
  flex: none;
}
@media (max-width: 1000px) {
  .nights.view {
    overflow: visible;
  }
  .all {
    overflow: visible;
  }
}
@media (max-width: 700px) {
  .axis {
    margin-left: 78px;
  }
  .axis span:nth-child(even) {
    display: none;
  }
  .free {
    grid-template-columns: 0 78px minmax(0, 1fr);
  }
  .free .date {
    visibility: hidden;
  }
}
</style>
