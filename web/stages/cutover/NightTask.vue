<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import type { HookUps } from '#core/connect/hookUp';
import type { NightCard } from '#core/cutover/card';
import { standingOf, type PlannedJob } from '#core/cutover/nights';
import { taskKind, type Task } from '#core/cutover/tasks';
import type { NightNow, NightsNow } from '#core/evaluate';
import { beginTask, checkTask, endTask, noteTrouble, type Change } from '#core/model/site';
import { useEvaluation } from '../../stores/evaluation';
import { useMeasures } from '../../stores/measures';
import { useNights } from '../../stores/nights';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import HookUpDrawing from '../connect/HookUpDrawing.vue';
import PhotoStrip from '../survey/PhotoStrip.vue';
import NightPort from './NightPort.vue';
import NightReadings from './NightReadings.vue';
import ProofRow from './ProofRow.vue';

/** The task in hand: how it is hooked up, what to expect, when it is too late, and the ticks that go into the record. */
const { planned, night, now, minutesNow, mayBegin } = defineProps<{
  planned: PlannedJob;
  night: NightNow;
  now: NightsNow;
  /** Minutes after the beginning of the shift. */
  minutesNow: number;
  mayBegin: boolean;
}>();
const emit = defineEmits<{ next: [] }>();
const store = useSite();
const openSite = useOpenSite();
const nights = useNights();
const evaluation = useEvaluation();
const own = useMeasures();
const route = useRoute();

const task = computed(() => now.tasks.find(({ id }) => id === planned.job.id)!);
const definition = computed(() => taskKind(task.value.kind));
const card = shallowRef<NightCard | null>(null);
const hookUp = shallowRef<HookUps | null>(null);
watch(
  [() => evaluation.result, () => planned.job.id],
  async () => {
    const { id } = planned.job;
    const told = await evaluation.nightCard(id);
    if (id !== planned.job.id) return;
    card.value = told;
    const { cameraId } = task.value;
    hookUp.value = cameraId ? await evaluation.hookUp(cameraId, own.measures.gauge) : null;
  },
  { immediate: true },
);
const tried = computed(() => night.actual[planned.job.id] ?? null);
const tries = computed(() => now.progress[planned.job.id]);
const current = computed(() => (tries.value?.kind === 'under-way' ? tries.value.now : null));
const isOpenElsewhere = computed(() => current.value !== null && current.value.night !== night.date);
const standing = computed(() => standingOf(planned, tried.value, minutesNow));
const elapsed = computed(() => Math.round(standing.value.elapsed));
const proofs = computed(() => card.value?.proofs ?? []);
const isProved = computed(() => proofs.value.every(({ id }) => current.value?.checked?.includes(id)));
const takes = computed(() => Math.round(planned.job.minutes.likely));
const team = computed(() => planned.team.map((person) => now.crew[person]?.name ?? '').join(' and '));
const darkMinutes = computed(() =>
  Math.round(Math.max(0, ...planned.job.dark.map(({ minutes }) => minutes))),
);
const numbers = computed(() =>
  planned.job.dark.map(({ view }) => openSite.value.camera[view]?.number ?? 0).sort((a, b) => a - b),
);
/** Whoever said go two days before has seen that all is there. */
const isCovered = ({ kind }: Task) =>
  taskKind(kind).when === 'before' &&
  (night.gates.find(({ gate }) => gate === 'before')?.record?.said?.go ?? false);
/** The needs that are not done: it would be begun too early. */
const waits = computed(() =>
  task.value.needs
    .filter((id) => now.progress[id]?.kind !== 'done')
    .filter((id) => now.tasks.some((one) => one.id === id && one.excluded === null && !isCovered(one)))
    .map(nights.titleOf),
);

const doing = () => ({ at: new Date().toISOString(), by: store.signedBy('Surveyor') });
const change = (what: string, changes: Change[]) => {
  if (changes.length > 0) store.change(`${what}: ${nights.titleOf(task.value.id)}`, changes);
};
const isAskedTwice = ref<'begin' | 'back' | null>(null);
const begin = () => {
  isAskedTwice.value = null;
  change('Begin', beginTask(openSite.value, task.value.id, night.date, doing()));
};
const end = (how: 'done' | 'put-back') => {
  isAskedTwice.value = null;
  change(how === 'done' ? 'Done' : 'Put back', endTask(openSite.value, task.value.id, how, doing()));
  emit('next');
};
const trouble = ref<string | null>(null);
const keepTrouble = () => {
  change('Trouble', noteTrouble(openSite.value, task.value.id, trouble.value ?? ''));
  trouble.value = null;
};
const doneWords = computed(() => (task.value.kind === 'swap' ? 'Camera records' : 'Done'));
const backWords = computed(() =>
  task.value.kind === 'swap'
    ? 'Put the old one back'
    : task.value.kind === 'recorder-change'
      ? 'Restore the settings'
      : 'Put it back',
);
const endWords = { done: 'Done', 'put-back': 'Put back' } as const;
/** The recorder that it ends on. */
const recorderId = computed(
  () => task.value.recorderId ?? openSite.value.placement[task.value.cameraId ?? '']?.recorderId ?? '',
);
const to = (name: string, view: string, query: Record<string, string> = {}) => ({
  name,
  params: { siteId: route.params['siteId'] ?? '', runId: card.value?.runId ?? '' },
  query: view ? { view, ...query } : query,
});
</script>

<template>
  <section class="in-hand" :aria-label="nights.titleOf(task.id)" :data-in-hand="task.id">
    <h2>{{ task.of }}</h2>
    <p class="dim">{{ definition.label }}, {{ team }}{{ task.lift ? ', from a lift' : '' }}.</p>
    <div
      v-if="hookUp?.after && task.kind === 'swap'"
      class="drawing"
      tabindex="0"
      role="group"
      aria-label="Hook-up, wider than the screen"
    >
      <HookUpDrawing :hook-up="hookUp.after" />
    </div>
    <ol v-if="card && card.steps.length > 0" class="steps">
      <li v-for="step in card.steps" :key="step">{{ step }}</li>
    </ol>
    <dl v-if="card">
      <div v-for="line in card.lines" :key="line.label">
        <dt>{{ line.label }}</dt>
        <dd v-if="line.kind === 'words'" class="mono">{{ line.words }}</dd>
        <dd v-else class="mono">
          {{ own.quantity(line.value, line.unit) }}{{ line.isUnread ? ', not measured yet' : '' }}
        </dd>
      </div>
      <div v-if="darkMinutes > 0">
        <dt>dark for about</dt>
        <dd class="mono">{{ darkMinutes }} min{{ numbers.length > 1 ? `, ${numbers.length} views` : '' }}</dd>
      </div>
      <div>
        <dt>takes about</dt>
        <dd class="mono">{{ takes }} min</dd>
      </div>
      <div class="latest">
        <dt>latest start to go back</dt>
        <dd class="mono">{{ nights.clock(planned.latestStart) }}</dd>
      </div>
    </dl>
    <details v-if="card && card.otherwise.length > 0" class="otherwise">
      <summary>Where it does not come back</summary>
      <ol class="steps">
        <li v-for="step in card.otherwise" :key="step">{{ step }}</li>
      </ol>
    </details>
    <div v-if="card && card.cautions.length > 0" class="caution">
      <p v-for="caution in card.cautions" :key="caution">{{ caution }}</p>
    </div>
    <p v-if="waits.length > 0 && !tried" class="caution">First: {{ waits.join('; ') }}.</p>
    <p v-if="standing.isTooLate" class="stop" role="alert">
      It is past {{ nights.clock(planned.latestStart) }}: begun now, there is no time left to go back. Leave
      it, and plan the rest again.
    </p>
    <p v-if="standing.isOverdue" class="stop" role="alert">
      {{ elapsed }} minutes, longer than at worst. Put the old one back while there is time, or say what is
      wrong.
    </p>
    <p v-if="current?.trouble" class="stop">Trouble: {{ current.trouble }}</p>

    <template v-if="tried?.end != null">
      <p class="ended" :data-ended="tried.how">
        {{ tried.how ? endWords[tried.how] : 'Ended' }}, {{ elapsed }} min.
        {{ tried.how === 'put-back' ? 'It is open again, for another night.' : definition.leaves }}
      </p>
      <button type="button" class="btn big wide" @click="emit('next')">Next</button>
    </template>
    <p v-else-if="isOpenElsewhere" class="caution">
      It is under way since the night of {{ current!.night }}.
    </p>
    <template v-else-if="!tried">
      <button
        v-if="!standing.isTooLate"
        type="button"
        class="btn go big wide"
        :disabled="!mayBegin"
        @click="waits.length > 0 ? (isAskedTwice = 'begin') : begin()"
      >
        Begin
      </button>
      <button v-else type="button" class="btn big wide" @click="isAskedTwice = 'begin'">
        Begin all the same
      </button>
      <p v-if="!mayBegin && !standing.isTooLate" class="dim">Nobody has said go at the start yet.</p>
      <div v-if="isAskedTwice === 'begin'" class="ask" role="alertdialog" aria-label="Begin all the same?">
        <p>
          {{
            standing.isTooLate
              ? 'Whatever goes wrong now stays dark into the morning.'
              : 'What it waits for is not done.'
          }}
          Begin?
        </p>
        <div class="row">
          <button type="button" class="btn big" @click="begin">Begin</button>
          <button type="button" class="btn go big" @click="isAskedTwice = null">Leave it</button>
        </div>
      </div>
    </template>
    <template v-else>
      <p class="mono since">
        {{ elapsed }} min since {{ nights.clock(tried.start) }}, likely {{ takes }}, at worst
        {{ Math.round(planned.job.minutes.high) }}
      </p>
      <ProofRow
        v-for="proof in proofs"
        :key="proof.id"
        :says="proof.says"
        :is-so="current?.checked?.includes(proof.id) ?? false"
        @turn="(isSo) => change(isSo ? 'Looked at' : 'Not so', checkTask(openSite, task.id, proof.id, isSo))"
      />
      <button type="button" class="btn go big wide" :disabled="!isProved" @click="end('done')">
        {{ doneWords }}
      </button>
      <div class="row pair">
        <button type="button" class="btn big" @click="trouble = current?.trouble ?? ''">Trouble</button>
        <button type="button" class="btn big" @click="isAskedTwice = 'back'">{{ backWords }}</button>
      </div>
      <form v-if="trouble !== null" class="ask" @submit.prevent="keepTrouble">
        <InputText
          v-model="trouble"
          autofocus
          aria-label="What is wrong"
          placeholder="What is wrong"
          maxlength="2000"
        />
        <div class="row">
          <button type="submit" class="btn go big">Note it</button>
          <button type="button" class="btn big" @click="trouble = null">Leave it</button>
        </div>
      </form>
      <div v-if="isAskedTwice === 'back'" class="ask" role="alertdialog" aria-label="Is it back as it was?">
        <p>Is it back as it was, and do its views record?</p>
        <div class="row">
          <button type="button" class="btn go big" @click="end('put-back')">It is back</button>
          <button type="button" class="btn big" @click="isAskedTwice = null">Not yet</button>
        </div>
      </div>
    </template>

    <div class="row links">
      <RouterLink
        v-if="recorderId"
        class="btn"
        :to="to('allocate', 'device', { upTo: 'now', recorder: recorderId })"
        >Push to the recorder</RouterLink
      >
      <RouterLink v-if="task.kind === 'build'" class="btn" :to="to('connect', 'switch')"
        >Ask the switch</RouterLink
      >
      <RouterLink v-if="card?.runId" class="btn" :to="to('test', '')">Take a reading</RouterLink>
    </div>
    <NightPort
      v-if="task.kind === 'swap' && task.cameraId"
      :key="`port ${task.id}`"
      :camera-id="task.cameraId"
    />
    <NightReadings v-if="task.kind === 'swap' && task.cameraId" :key="task.id" :camera-id="task.cameraId" />
    <PhotoStrip v-if="card?.runId" :of="{ kind: 'run', id: card.runId }" :what="task.of" />
  </section>
</template>

<style scoped>
.otherwise summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  font-weight: 600;
}
.in-hand {
  display: grid;
  gap: 8px;
  border-top: 2px solid var(--ink);
  padding-top: 10px;
}
h2 {
  font-size: 24px;
  font-variation-settings: 'wdth' 108;
}
.drawing {
  overflow-x: auto;
  scrollbar-width: thin;
}
.steps {
  list-style: decimal inside;
}
dl > div {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  align-items: baseline;
  min-height: 36px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
dt {
  color: var(--ink-2);
}
dd {
  text-align: right;
  font-size: 15px;
}
.latest dt,
.latest dd {
  color: var(--madder);
}
.big {
  min-height: 56px;
  justify-content: center;
  align-items: center;
  font-size: 17px;
  white-space: normal;
}
.wide {
  width: 100%;
}
.pair .btn,
.ask .row .btn {
  flex: 1;
}
.ask {
  display: grid;
  gap: 8px;
  padding: 10px;
  border: 2px solid var(--ink);
  background: var(--sheet);
}
.ask :deep(input) {
  width: 100%;
  min-height: 48px;
}
.ended {
  border-left: 4px solid var(--verdigris);
  padding: 6px 12px;
  background: var(--verdigris-3);
}
.ended[data-ended='put-back'] {
  border-color: var(--madder);
  background: var(--madder-2);
}
.links {
  flex-wrap: wrap;
  gap: 8px;
}
</style>
