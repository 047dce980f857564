<script setup lang="ts">
import { computed } from 'vue';
import type { NightsNow } from '#core/evaluate';
import { spreadWith, type Spread } from '#core/cutover/nights';
import { taskKind, type Task } from '#core/cutover/tasks';
import { removeOwnTask, settingTask, type OwnTask, type TaskSetting } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { dateWords } from '../../parts/dateWords';
import { useNights } from '../../stores/nights';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** One task: what it takes, what it waits for, how it is left, and where somebody wants it. */
const { task, now } = defineProps<{ task: Task; now: NightsNow }>();
const emit = defineEmits<{ move: [date: string, crewId: string | null]; close: [] }>();
const store = useSite();
const openSite = useOpenSite();
const nights = useNights();
const definition = computed(() => taskKind(task.kind));
const night = computed(
  () => now.nights.find(({ jobs }) => jobs.some(({ job }) => job.id === task.id)) ?? null,
);
const planned = computed(() => night.value?.jobs.find(({ job }) => job.id === task.id) ?? null);
const setting = computed(() => openSite.value.taskSetting[task.id]);
const progress = computed(() => now.progress[task.id]);
const startBy = computed(() => (progress.value?.kind === 'done' ? undefined : now.startBy[task.id]));
const own = computed(() => Object.values(openSite.value.ownTask).find(({ id }) => task.id === `own-${id}`));
function takeAway({ id, name }: OwnTask): void {
  emit('close');
  store.change(`Take away “${name}”`, removeOwnTask(openSite.value, id));
}
const isInNight = computed(() => definition.value.when === 'night');

const dates = computed(() => now.dates.map((date) => ({ value: date, label: dateWords(date) })));
const anybody = 'anybody';
const people = computed(() => [
  { value: anybody, label: 'Whoever can' },
  ...now.crew.map(({ id, name }) => ({ value: id, label: name })),
]);
const set = (what: string, fields: Partial<TaskSetting>) =>
  store.change(`${what}: ${nights.titleOf(task.id)}`, settingTask(openSite.value, task.id, fields));
const give = (to: string) => set('Who does it', { crewIds: to === anybody ? undefined : [to] });
type Figure = keyof Spread;
const minutes = (which: Figure, value: number) =>
  set('How long it takes', { minutes: spreadWith(task.minutes, which, value) });
const figures: { id: Figure; label: string }[] = [
  { id: 'low', label: 'At best' },
  { id: 'likely', label: 'Likely' },
  { id: 'high', label: 'At worst' },
];
const waits = computed(() =>
  [...task.needs, ...(task.sameNight ? [task.sameNight] : [])]
    .filter((id, k, all) => all.indexOf(id) === k)
    .map(nights.titleOf),
);
const dark = computed(() =>
  task.dark.map(({ view, minutes: long }) => ({
    name: `${openSite.value.camera[view]?.number} ${openSite.value.camera[view]?.name}`,
    long,
  })),
);
const darkWords = computed(() =>
  dark.value.length > 3
    ? `${dark.value.length} views for about ${Math.round(dark.value[0]!.long)} min`
    : dark.value.map(({ name, long }) => `${name} for about ${Math.round(long)} min`).join(', '),
);
</script>

<template>
  <section class="sheet" aria-label="Task in hand" :data-task-sheet="task.id">
    <div class="row title">
      <h2>{{ nights.titleOf(task.id) }}</h2>
      <span v-if="planned" class="mono dim"
        >{{ dateWords(night!.date) }} {{ nights.clock(planned.start) }}–{{ nights.clock(planned.end) }}, not
        after {{ nights.clock(planned.latestStart) }}</span
      >
      <span class="push" />
      <button type="button" class="btn small" @click="emit('close')">Close</button>
    </div>
    <div class="columns">
      <div class="facts" tabindex="0" role="group" aria-label="What it takes">
        <p v-if="darkWords"><span class="dim">Dark:</span> {{ darkWords }}</p>
        <p v-if="waits.length > 0">
          <span class="dim">Waits for:</span> {{ waits.slice(0, 4).join('; ')
          }}{{ waits.length > 4 ? `; and ${waits.length - 4} more` : '' }}
        </p>
        <p>
          <span class="dim">Takes:</span> {{ task.people === 1 ? 'one person' : `${task.people} people`
          }}{{ task.lift ? ', from a lift' : '' }}; back in {{ task.rollBackMinutes }} min if it goes wrong.
        </p>
        <p v-if="task.window"><span class="dim">Only:</span> {{ task.window.why }}.</p>
        <p v-if="task.allowed"><span class="dim">Nights:</span> {{ task.allowed.why }}.</p>
        <p v-if="startBy"><span class="dim">Begin by:</span> {{ dateWords(startBy) }}.</p>
        <p><span class="dim">Left:</span> {{ definition.leaves }}</p>
        <p v-for="caution in task.cautions" :key="caution" class="caution tiny">{{ caution }}</p>
      </div>
      <div class="fields">
        <template v-if="isInNight && progress?.kind !== 'done'">
          <FieldRow label="Night"
            ><PickField
              :value="night?.date ?? ''"
              :choices="dates"
              label="Night of this task"
              @take="(date) => emit('move', date, null)"
          /></FieldRow>
          <p v-if="setting?.date" class="tiny">
            Promised for this night.
            <button type="button" class="plain so" @click="set('No promise', { date: undefined })">
              Let it go where it fits best
            </button>
          </p>
          <FieldRow label="Given to"
            ><PickField
              :value="setting?.crewIds?.[0] ?? anybody"
              :choices="people"
              label="Who does this task"
              @take="
                (id) =>
                  night && id !== anybody && task.people === 1 ? emit('move', night.date, id) : give(id)
              "
          /></FieldRow>
        </template>
        <FieldRow label="Left out, why"
          ><TextField
            :value="setting?.excluded ?? ''"
            label="Why this task is left out of the nights"
            placeholder="it is done"
            @take="(text) => set('Left out', { excluded: text || undefined })"
        /></FieldRow>
        <FieldRow
          v-if="task.kind === 'swap' && progress?.kind !== 'done'"
          label="Prepared before"
          hint="Bracket, box and new lead, in a task of its own that leaves nothing dark."
          ><QuantityField
            :value="setting?.prepareMinutes ?? null"
            unit="min"
            label="Minutes that are done before in a task of its own"
            :allowed="fitting('taskSetting', 'prepareMinutes', 'min')"
            clearable
            placeholder="nothing"
            @take="(prepareMinutes) => set('Prepared before', { prepareMinutes })"
            @clear="set('Done in one', { prepareMinutes: undefined })"
        /></FieldRow>
        <p v-if="own">
          <button type="button" class="btn small" @click="takeAway(own)">Take this task away</button>
        </p>
      </div>
      <div class="fields">
        <FieldRow v-for="figure in figures" :key="figure.id" :label="figure.label"
          ><QuantityField
            :value="Math.round(task.minutes[figure.id])"
            unit="min"
            :label="`Minutes, ${figure.label.toLowerCase()}`"
            :allowed="fitting('taskSetting', `minutes.${figure.id}`, 'min')"
            @take="(value) => minutes(figure.id, value)"
        /></FieldRow>
        <p v-if="setting?.minutes" class="tiny">
          <button type="button" class="plain so" @click="set('Usual time', { minutes: undefined })">
            Back to the usual time
          </button>
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  flex: none;
  border-top: 2px solid var(--ink);
  background: var(--sheet);
  padding: 8px 12px 10px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(210px, 1fr) 210px;
  gap: 6px 20px;
  padding-top: 6px;
}
.facts {
  display: grid;
  gap: 3px;
  align-content: start;
  max-height: 150px;
  overflow: auto;
  scrollbar-width: thin;
}
.fields {
  display: grid;
  gap: 4px;
  align-content: start;
}
.so {
  text-decoration: underline;
  text-underline-offset: 3px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
