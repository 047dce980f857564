<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed, onMounted, onUnmounted, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import {
  differences,
  leadsByHand,
  otherRecorder,
  prerequisites,
  stepInWords,
  stepsLeft,
  type PlanForDevice,
} from '#core/allocate/device';
import { useKeys } from '../../keys/keys';
import AllowHost from '../../parts/AllowHost.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import { savedSettingsAddress } from '../../stores/api';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useEvaluation } from '../../stores/evaluation';
import { useRecorderApply } from '../../stores/recorderApply';
import { useSite } from '../../stores/site';

/** A recorder on the network beside its plan: what differs, and the plan on its way into it, step by step. */
const route = useRoute();
const router = useRouter();
const store = useSite();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const device = useRecorderApply();

const states = computed(() => summary.value.allocation.recorders);
const choices = computed(() =>
  states.value.map(({ recorder }) => ({ value: recorder.id, label: recorder.name })),
);
const state = computed(
  () => states.value.find(({ recorder }) => recorder.id === device.recorderId) ?? states.value[0]!,
);
const evaluation = useEvaluation();
/** Out of a night the recorder is told as much of the plan as the night has come to. */
const hasNights = computed(() => Object.keys(openSite.value.plannedNight).length > 0);
watch(
  () => route.query['upTo'],
  (asked) => (device.upTo = asked === 'now' ? 'now' : 'end'),
  { immediate: true },
);
const goals = [
  { value: 'end', label: 'all of the plan' },
  { value: 'now', label: 'as far as the nights are' },
] as const;
const planned = shallowRef<PlanForDevice>({ kind: 'not-yet', why: 'The plan is being worked out.' });
watch(
  [() => evaluation.result, () => state.value.recorder.id, () => device.upTo],
  async ([, recorderId, upTo]) => {
    const told = await evaluation.devicePlan(recorderId, upTo);
    if (told && recorderId === state.value.recorder.id && upTo === device.upTo) planned.value = told;
  },
  { immediate: true },
);
const other = computed(() => device.report && otherRecorder(state.value.recorder, device.report));
const rows = computed(() =>
  device.report && planned.value.kind === 'plan' ? differences(device.report, planned.value.plan) : [],
);
const differing = computed(() => rows.value.filter(({ same }) => !same).length);
const left = computed(() =>
  device.report && planned.value.kind === 'plan'
    ? stepsLeft(device.report, planned.value.plan, { settings: false })
    : [],
);
const open = computed(() => prerequisites(openSite.value, state.value).filter((one) => one.state === 'open'));
const leads = computed(() => leadsByHand(state.value));
const isUnderWay = computed(() => device.applying !== null && device.applying.state !== 'done');
const canApply = computed(
  () =>
    device.report !== null &&
    !device.isDamaged &&
    !other.value &&
    planned.value.kind === 'plan' &&
    left.value.length > 0 &&
    !isUnderWay.value,
);
const stateWords = {
  running: 'Under way',
  stopped: 'Stopped',
  'broken-off': 'Broken off',
  refused: 'Refused',
  done: 'Done',
} as const;

const apply = () => {
  if (canApply.value) void device.apply();
};
onMounted(async () => {
  // What is typed meanwhile is the address of this recorder, not of none.
  const known = (id: unknown): id is string => states.value.some(({ recorder }) => recorder.id === id);
  const wanted = [route.query['recorder'], device.recorderId].find(known);
  const turned = device.turnTo(wanted ?? states.value[0]!.recorder.id);
  await device.discover();
  await turned;
});
onUnmounted(device.leave);
useKeys([
  { keys: ['g'], label: 'read the recorder', group: 'Push to recorder', run: () => void device.read() },
  { keys: ['Enter'], label: 'apply the plan', group: 'Push to recorder', run: apply },
  {
    keys: ['Escape'],
    label: 'stop after this step',
    group: 'Push to recorder',
    run: () => {
      if (device.applying?.state === 'running') void device.stop();
    },
  },
]);
</script>

<template>
  <div class="device">
    <div class="row fields">
      <FieldRow label="Recorder"
        ><PickField
          :value="state.recorder.id"
          :choices="choices"
          label="Recorder to write to"
          @take="(id) => void device.turnTo(id)"
      /></FieldRow>
      <FieldRow label="Address"
        ><InputText
          v-model="device.address"
          size="small"
          aria-label="Address and port of the recorder"
          placeholder="10.20.0.5:80"
          autocomplete="off"
          @keydown.enter.prevent="device.read()"
      /></FieldRow>
      <FieldRow label="Key"
        ><InputText
          v-model="device.key"
          size="small"
          type="password"
          aria-label="Key of the recorder"
          :placeholder="device.isStandIn ? 'the demo’s is ferry' : 'not stored'"
          autocomplete="off"
      /></FieldRow>
      <FieldRow v-if="hasNights" label="Push"
        ><PickField
          :value="device.upTo"
          :choices="[...goals]"
          label="How much of the plan is pushed"
          @take="(upTo) => (device.upTo = upTo)"
      /></FieldRow>
      <button type="button" class="btn" :disabled="device.busy || !device.address" @click="device.read()">
        Read recorder <kbd>g</kbd>
      </button>
      <button type="button" class="btn" @click="router.push({ ...route, query: { view: 'ready' } })">
        Channel list
      </button>
      <button type="button" class="btn go" :disabled="!canApply || device.busy || !device.key" @click="apply">
        Apply the plan <kbd>Enter</kbd>
      </button>
    </div>
    <p v-if="device.problem" class="stop" role="alert">{{ device.problem }}</p>
    <AllowHost v-if="device.closedHost" :host="device.closedHost" @allowed="device.read()" />
    <p v-if="planned.kind === 'not-yet'" class="caution">
      {{ planned.why }} Until then the plan cannot go into the recorder.
    </p>
    <p v-if="open.length > 0 && planned.kind === 'plan'" class="caution">
      Still open before you start:
      {{ open.map(({ message }) => message.charAt(0).toLowerCase() + message.slice(1)).join('; ') }}. The
      recorder may refuse what is not so.
    </p>
    <p v-if="other" class="stop" role="alert">{{ other }}</p>

    <div v-if="device.isDamaged" class="stop" role="alert">
      <p>
        The record of an earlier plan on this recorder is damaged, so nobody knows how far it got. Read the
        recorder and compare it with the plan before you begin again. The record is kept beside, under another
        name.
      </p>
      <button type="button" class="btn small" @click="device.forget()">Set the damaged record aside</button>
    </div>
    <section
      v-if="device.applying"
      class="applying"
      :data-state="device.applying.state"
      aria-label="Plan on its way"
      aria-live="polite"
    >
      <h3>
        {{ stateWords[device.applying.state] }},
        {{ device.applying.goal === 'plan' ? 'towards the plan' : 'back to what was there' }}
      </h3>
      <progress
        v-if="device.applying.state !== 'done'"
        :value="device.applying.done.length"
        :max="device.applying.done.length + device.applying.left.length + 1"
      />
      <p v-if="device.applying.state !== 'done' && device.applying.doing">Now: {{ device.applying.doing }}</p>
      <p v-if="device.applying.why" class="stop">{{ device.applying.why }}</p>
      <p v-for="wrong in device.applying.wrong" :key="wrong" class="stop">{{ wrong }}</p>
      <details v-if="device.applying.done.length > 0">
        <summary>
          {{ device.applying.done.length }} step{{ device.applying.done.length === 1 ? '' : 's' }} done, by
          {{ device.applying.by }}
        </summary>
        <ol>
          <li v-for="(text, k) in device.applying.done" :key="k" class="tiny">{{ text }}</li>
        </ol>
      </details>
      <div class="row">
        <button
          v-if="device.applying.state === 'running'"
          type="button"
          class="btn small"
          @click="device.stop()"
        >
          Stop after this step <kbd>Esc</kbd>
        </button>
        <template v-else-if="device.applying.state !== 'done'">
          <button
            type="button"
            class="btn small go"
            :disabled="!device.key"
            @click="device.goOn(device.applying.goal)"
          >
            Go on from here
          </button>
          <button
            v-if="device.applying.goal === 'plan'"
            type="button"
            class="btn small"
            :disabled="!device.key"
            @click="device.goOn('back')"
          >
            Go back to what was there
          </button>
          <button type="button" class="btn small" @click="device.forget()">Keep as it is</button>
        </template>
        <button
          v-else-if="device.applying.goal === 'plan'"
          type="button"
          class="btn small"
          :disabled="!device.key"
          @click="device.goOn('back')"
        >
          Go back to what was there
        </button>
        <a
          v-if="device.applying.settings"
          class="btn small"
          :href="savedSettingsAddress(store.id, state.recorder.id)"
          download
          >Saved settings</a
        >
      </div>
    </section>

    <section v-if="device.report" class="differences" aria-label="Recorder and plan">
      <h3>
        {{ device.report.name }}, {{ device.report.serial }}:
        {{
          planned.kind !== 'plan'
            ? 'no plan to hold it against yet'
            : differing === 0 && left.length === 0
              ? 'holds the plan'
              : `${differing} slot${differing === 1 ? '' : 's'} differ, ${left.length} step${left.length === 1 ? '' : 's'} to the plan`
        }}
      </h3>
      <p class="dim tiny">
        {{ device.cameras.length }} cameras on its network{{
          device.report.ipInputs.length > 0 ? `; IP on inputs ${device.report.ipInputs.join(', ')}` : ''
        }}; time source: {{ device.report.timeSource ?? 'none'
        }}{{ device.report.factoryValues ? '; its settings are those it came with' : '' }}.
      </p>
      <p v-if="leads.length > 0 && !isUnderWay" class="caution">
        Leads are moved by hand, before:
        {{
          leads
            .map(({ number, from, to }) => `camera ${number} ${from === null ? '' : `from ${from} `}to ${to}`)
            .join('; ')
        }}.
      </p>
      <div class="columns">
        <table v-if="rows.length > 0">
          <thead>
            <tr>
              <th class="num">Slot</th>
              <th>In the recorder</th>
              <th>In the plan</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in rows"
              :key="row.slot"
              :class="{ differs: !row.same }"
              :data-device-slot="row.slot"
            >
              <td class="num mono">{{ row.slot }}</td>
              <td>{{ row.has }}</td>
              <td>
                {{ row.same ? '' : row.wants }}<span v-if="row.byHand" class="dim">{{ row.byHand }}</span>
              </td>
            </tr>
          </tbody>
        </table>
        <ol v-if="left.length > 0 && !isUnderWay">
          <li v-for="(step, k) in left" :key="k" class="tiny">{{ stepInWords(step) }}</li>
        </ol>
      </div>
    </section>
    <div v-else-if="!device.applying" class="empty">
      <strong>Read the recorder first.</strong>What it holds shows beside the plan, and each step to it. A
      recorder without a network takes the channel list from “Before you start”.
    </div>
  </div>
</template>

<style scoped>
.device {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.device > * {
  flex: none;
}
.fields {
  gap: 8px 10px;
  flex-wrap: wrap;
  align-items: end;
}
.fields :deep(.field-row) {
  grid-template-columns: auto 132px;
}
.applying {
  border-left: 4px solid var(--copper);
  background: var(--sheet);
  padding: 8px 12px;
  display: grid;
  gap: 6px;
}
.applying[data-state='done'] {
  border-color: var(--verdigris);
}
.applying[data-state='broken-off'],
.applying[data-state='refused'] {
  border-color: var(--madder);
}
progress {
  width: 100%;
  accent-color: var(--copper);
}
.columns {
  display: grid;
  grid-template-columns: minmax(380px, 3fr) minmax(240px, 2fr);
  gap: 20px;
  align-items: start;
}
th {
  text-align: left;
}
.num {
  text-align: right;
  padding-right: 8px;
}
.differs td {
  background: var(--copper-3);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
