<script setup lang="ts">
import { computed, ref } from 'vue';
import type { NightsNow } from '#core/evaluate';
import { taskKind, type Task } from '#core/cutover/tasks';
import { tickTask } from '#core/model/site';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { dateOf } from '../../workers/nightClock';
import OwnTaskForm from './OwnTaskForm.vue';
import TaskSheet from './TaskSheet.vue';

/** Everything that has to be done for the change: before the nights, in them and after, with how long each takes. */
const { now } = defineProps<{ now: NightsNow }>();
const nights = useNights();
const openSite = useOpenSite();
const store = useSite();
const pickedId = ref<string | null>(null);
const picked = computed(() => now.tasks.find(({ id }) => id === pickedId.value) ?? null);
const refused = ref<string[]>([]);

const nightOf = computed(
  () => new Map(now.nights.flatMap(({ date, jobs }) => jobs.map(({ job }) => [job.id, date] as const))),
);
const late = computed(() => new Set(now.late));
const phases = [
  { when: 'before', label: 'Before the nights' },
  { when: 'night', label: 'In the nights' },
  { when: 'after', label: 'Once a morning has shown that the picture holds' },
] as const;
const stateOf = (task: Task): string => {
  const { id, excluded } = task;
  const progress = now.progress[id];
  if (progress?.kind === 'done') return 'done';
  if (progress?.kind === 'under-way') return 'under way';
  if (excluded !== null) return `left out: ${excluded}`;
  if (progress?.kind === 'open' && progress.putBack) return 'put back';
  if (late.value.has(id)) return 'late: its night will not have it';
  return '';
};
/** The night that a task is in, the date that it has to be begun by, or the one after which it can be. */
function nightWords({ id, kind }: Task): string {
  const night = nightOf.value.get(id);
  if (night !== undefined) return dateWords(night);
  const by = now.startBy[id];
  if (taskKind(kind).when === 'before') return by === undefined ? '' : `by ${dateWords(by)}`;
  const last = now.follows[id];
  return last !== undefined && taskKind(kind).when === 'after' ? `after ${dateWords(last)}` : '';
}
const groups = computed(() =>
  phases.map(({ when, label }) => {
    const tasks = now.tasks.filter(({ kind }) => taskKind(kind).when === when);
    return {
      when,
      label,
      hours: tasks.reduce((sum, { minutes, people }) => sum + (minutes.likely * people) / 60, 0),
      rows: tasks.map((task) => ({
        task,
        title: nights.titleOf(task.id),
        minutes: `${Math.round(task.minutes.low)} · ${Math.round(task.minutes.likely)} · ${Math.round(task.minutes.high)}`,
        skills: task.skills.join(', '),
        night: nightWords(task),
        state: stateOf(task),
      })),
    };
  }),
);
const isDone = ({ id }: Task): boolean => now.progress[id]?.kind === 'done';
function tick(task: Task, done: boolean): void {
  const at = new Date();
  const doing = { at: at.toISOString(), by: store.signedBy('Surveyor') };
  const changes = tickTask(openSite.value, task.id, dateOf(at.getTime()), done, doing);
  if (changes.length > 0)
    store.change(`${nights.titleOf(task.id)}: ${done ? 'done' : 'not done after all'}`, changes);
}
async function move(date: string, crewId: string | null): Promise<void> {
  if (picked.value) refused.value = await nights.move(picked.value.id, { date, crewId });
}
</script>

<template>
  <div class="tasks">
    <div class="list" tabindex="0" role="group" aria-label="Tasks">
      <template v-for="group in groups" :key="group.when">
        <h2>
          {{ group.label }}
          <span class="dim">{{ group.rows.length }}, {{ group.hours.toFixed(0) }} h of work</span>
        </h2>
        <p v-if="group.rows.length === 0" class="dim tiny">Nothing.</p>
        <table v-else>
          <thead>
            <tr>
              <th><span class="out-of-sight">Done</span></th>
              <th>Task</th>
              <th class="num">Minutes: best · likely · worst</th>
              <th class="num">People</th>
              <th>Who can</th>
              <th>{{ group.when === 'before' ? 'Begin' : 'Night' }}</th>
              <th>State</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in group.rows"
              :key="row.task.id"
              :class="{ picked: row.task.id === pickedId, out: row.task.excluded !== null }"
              :data-task-row="row.task.id"
            >
              <td class="tick">
                <input
                  v-if="group.when !== 'night'"
                  type="checkbox"
                  :checked="isDone(row.task)"
                  :aria-label="`${row.title}, done`"
                  @change="tick(row.task, ($event.target as HTMLInputElement).checked)"
                />
              </td>
              <td>
                <button type="button" class="plain" @click="pickedId = row.task.id">{{ row.title }}</button>
              </td>
              <td class="num mono">{{ row.minutes }}</td>
              <td class="num mono">{{ row.task.people }}</td>
              <td>{{ row.skills }}</td>
              <td class="mono">{{ row.night }}</td>
              <td>{{ row.state }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <OwnTaskForm />
    </div>
    <div v-if="refused.length > 0" class="stop" role="alert">
      <p>
        <b>It stays where it is.</b>
        <button type="button" class="btn small" @click="refused = []">Close</button>
      </p>
      <p v-for="why in refused" :key="why">{{ why }}</p>
    </div>
    <TaskSheet v-if="picked" :task="picked" :now="now" @move="move" @close="pickedId = null" />
  </div>
</template>

<style scoped>
.tasks {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.tasks.view {
  overflow: hidden;
}
.list {
  flex: 1;
  min-height: 100px;
  overflow: hidden auto;
  scrollbar-width: thin;
}
h2 {
  padding: 10px 0 2px;
}
h2 .dim {
  font-weight: 400;
  font-size: 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 500;
  font-size: 11px;
  color: var(--ink-2);
  padding: 3px 8px 3px 0;
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 2px 8px 2px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
}
td button.plain {
  min-height: 24px;
}
th.num,
td.num {
  text-align: right;
  padding-right: 16px;
}
.tick {
  width: 26px;
}
tr.picked td {
  background: var(--copper-3);
}
tr.out td {
  color: var(--ink-2);
  text-decoration: line-through;
}
tr.out td:last-child {
  text-decoration: none;
}
@media (max-width: 1000px) {
  .tasks.view,
  .list {
    overflow: visible;
  }
}
</style>
