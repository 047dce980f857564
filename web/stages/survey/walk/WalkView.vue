<script setup lang="ts">
import { computed, provide, ref, useTemplateRef, watch } from 'vue';
import { fieldKey, siteGaps, type Gap } from '#core/survey/gaps';
import {
  runLengthM,
  assumable,
  noteCamera,
  notePlace,
  withFields,
  type Assumable,
  type Camera,
  type FactUpdate,
  type Place,
  type Run,
} from '#core/model/site';
import type { Problem } from '#core/shared/problems';
import NextStep from '../../../parts/NextStep.vue';
import PickField from '../../../parts/PickField.vue';
import { onlyField } from '../../../parts/onlyField';
import TextField from '../../../parts/TextField.vue';
import { useSite } from '../../../stores/site';
import { useOpenSite } from '../../../stores/openSite';
import CameraFields from '../CameraFields.vue';
import FeedFields from '../FeedFields.vue';
import NewRouteFields from '../NewRouteFields.vue';
import PhotoStrip from '../PhotoStrip.vue';
import PlaceFields from '../PlaceFields.vue';
import SegmentFields from '../SegmentFields.vue';
import NotReached from './NotReached.vue';

/** For the round with a phone: one thing to note after the other, place by place. */
const emit = defineEmits<{ close: [gap: Gap] }>();
const store = useSite();
const openSite = useOpenSite();

const site = computed(() => openSite.value);
const gaps = computed(() => siteGaps(site.value));
/** Passed over on this round, to come again when all else is noted. */
const passed = ref<string[]>([]);
/** The one in hand stays in hand while it is being noted, even once it is no gap any more. */
const inHand = ref<Gap | null>(null);
const problem = ref('');

/** Where the person is: as he says, or first where something holds up a test. It stays until nothing is left there. */
const here = ref('');
const firstPlace = (but: string | undefined) => {
  const left = gaps.value.filter(({ id }) => id !== but);
  return (left.find(({ before }) => before === 'test') ?? left[0])?.placeId ?? here.value;
};
const places = computed(() => {
  const left = new Map<string, number>();
  for (const { placeId } of gaps.value) left.set(placeId, (left.get(placeId) ?? 0) + 1);
  if (here.value && !left.has(here.value)) left.set(here.value, 0);
  return [...left].map(([id, count]) => ({
    value: id,
    name: site.value.place[id]?.name ?? '',
    count,
    label: `${site.value.place[id]?.name ?? ''}, ${count} left`,
  }));
});
const leftHere = computed(() => gaps.value.filter(({ placeId }) => placeId === here.value));

function next(): void {
  if (!leftHere.value.some(({ id }) => id !== inHand.value?.id)) here.value = firstPlace(inHand.value?.id);
  const after = leftHere.value.filter(({ id }) => id !== inHand.value?.id);
  const open = after.filter(({ id }) => !passed.value.includes(id));
  inHand.value = open.find(({ before }) => before === 'test') ?? open[0] ?? after[0] ?? null;
  problem.value = '';
}
function pass(): void {
  if (inHand.value) passed.value = [...passed.value.filter((id) => id !== inHand.value?.id), inHand.value.id];
  next();
}
const walk = useTemplateRef('walk');
function goTo(placeId: string): void {
  here.value = placeId;
  walk.value?.scrollTo(0, 0);
  inHand.value = null;
  next();
}
next();
watch(leftHere, () => {
  if (!inHand.value) next();
});

const isNoted = computed(
  () => inHand.value !== null && !gaps.value.some(({ id }) => id === inHand.value?.id),
);
const target = computed(() => (inHand.value?.target.kind === 'run' ? inHand.value.target : null));
const run = computed<Run | null>(() => (target.value ? (site.value.run[target.value.runId] ?? null) : null));
const camera = computed<Camera | null>(() =>
  inHand.value?.cameraId ? (site.value.camera[inHand.value.cameraId] ?? null) : null,
);
const place = computed<Place | null>(() =>
  inHand.value ? (site.value.place[inHand.value.placeId] ?? null) : null,
);
const segment = computed(() =>
  run.value && target.value?.segment !== undefined
    ? (run.value.segments[target.value.segment] ?? null)
    : null,
);

const field = computed(() => (target.value ? fieldKey(target.value.field, target.value.segment) : null));
provide(onlyField, field);

type Group = 'cable' | 'feed' | 'place' | 'newRoute' | 'camera' | 'unreached';
const group = computed<Group>(() => {
  switch (target.value?.field) {
    case 'cable':
    case 'length':
    case 'print':
    case 'marks':
    case 'dispute':
      return 'cable';
    case 'feed':
    case 'patched':
      return 'feed';
    case 'place':
    case 'newRoute':
    case 'unreached':
      return target.value.field;
    default:
      return 'camera';
  }
});
const lengthM = computed(() => (run.value ? runLengthM(run.value) : 0));

function say(problems: Problem[]): void {
  problem.value = problems.map(({ allowed }) => allowed).join('; ');
}
function setRun(what: string, next: FactUpdate<Run>): void {
  if (run.value) say(store.update(`${what} of run ${camera.value?.number ?? ''}`, 'run', run.value.id, next));
}
function setCamera(what: string, next: FactUpdate<Camera>): void {
  if (camera.value)
    say(store.update(`${what} of camera ${camera.value.number}`, 'camera', camera.value.id, next));
}
function setPlace(what: string, next: FactUpdate<Place>): void {
  if (place.value) say(store.update(`${what} of ${place.value.name}`, 'place', place.value.id, next));
}

/** What stands there is how it is: an assumed figure becomes a noted one. */
const confirmable = computed(() => {
  const wanted = target.value?.field;
  if (wanted === 'place') return place.value?.assumed === true;
  return camera.value?.assumed?.some((one) => one === wanted) ?? false;
});
function confirm(): void {
  const wanted = target.value?.field;
  if (wanted === 'place') setPlace('Looked at', (now) => notePlace(now, {}));
  else if (assumable.includes(wanted as Assumable))
    setCamera('Looked at', (now) => noteCamera(now, { [wanted as Assumable]: now[wanted as Assumable] }));
  next();
}
function reached(): void {
  setRun('Reached after all', (now) => withFields(now, { unreached: undefined }));
  next();
}
function notReached(why: string): void {
  const unreached = { why, at: new Date().toISOString(), by: store.signedBy('Surveyor') };
  setRun('Could not reach', (now) => ({ ...now, unreached }));
  // All else about this camera has to wait too.
  passed.value = [
    ...passed.value,
    ...gaps.value.filter(({ cameraId }) => cameraId === camera.value?.id).map(({ id }) => id),
  ];
  next();
}
const setNote = (note: string) => setRun('Note', (now) => withFields(now, { note: note || undefined }));
</script>

<template>
  <div ref="walk" class="walk">
    <div v-if="gaps.length === 0" class="empty">
      <template v-if="Object.keys(site.run).length === 0"
        ><strong>Nothing is noted yet.</strong>Add the first run on the board; what it still lacks then shows
        here, place by place.<br /><NextStep stage="survey" :keys="['b', 'n']" label="Board"
      /></template>
      <template v-else
        ><strong>Nothing is left to note.</strong>Go on with the tests.<br /><NextStep
          stage="test"
          :keys="['2']"
          label="Test"
      /></template>
    </div>
    <template v-else>
      <div class="where">
        <PickField :value="here" :choices="places" label="Where you are" @take="goTo" /><span class="dim"
          >{{ gaps.length }} left in all</span
        >
      </div>
      <article v-if="inHand" class="card" :data-gap="inHand.id">
        <p v-if="camera" class="who">
          <b class="mono">{{ camera.number }}</b> {{ camera.name }}
        </p>
        <p class="question">{{ inHand.message }}</p>
        <div class="fields">
          <template v-if="inHand.target.kind !== 'run'"
            ><button type="button" class="btn" @click="emit('close', inHand)">
              {{ inHand.target.kind === 'head-end' ? 'Note the recorder' : 'Add its run' }}
            </button></template
          >
          <button v-else-if="group === 'unreached'" type="button" class="btn" @click="reached">
            It can be reached now
          </button>
          <SegmentFields
            v-else-if="group === 'cable' && run && segment && target?.segment !== undefined"
            :run="run"
            :index="target.segment"
            :segment="segment"
            @change="setRun"
          />
          <FeedFields v-else-if="group === 'feed' && run" :run="run" @change="setRun" />
          <NewRouteFields
            v-else-if="group === 'newRoute' && run"
            :run="run"
            :length-m="lengthM"
            @change="setRun"
          />
          <PlaceFields v-else-if="group === 'place' && place" :place="place" @set="setPlace" />
          <CameraFields v-else-if="camera" :camera="camera" @set="setCamera" />
        </div>
        <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
        <div class="big">
          <button v-if="isNoted" type="button" class="btn go" @click="next">Noted, next</button>
          <template v-else
            ><button v-if="confirmable" type="button" class="btn go" @click="confirm">It is as shown</button
            ><button type="button" class="btn" @click="pass">Later</button></template
          >
        </div>
        <div v-if="run" class="beside">
          <PhotoStrip :of="{ kind: 'camera', id: run.cameraId }" :what="`camera ${camera?.number ?? ''}`" />
          <TextField
            :key="run.id"
            :value="run.note ?? ''"
            label="Note on the run"
            placeholder="Note"
            @take="setNote"
          />
          <NotReached v-if="!run.unreached" :key="run.id" @why="notReached" />
        </div>
      </article>
      <section class="left">
        <h2 class="minor">What is left, by place</h2>
        <button
          v-for="one in places"
          :key="one.value"
          type="button"
          class="plain place"
          :aria-current="one.value === here ? 'true' : undefined"
          @click="goTo(one.value)"
        >
          <span>{{ one.name }}</span><span class="mono">{{ one.count }}</span>
        </button>
      </section>
    </template>
  </div>
</template>

<style scoped>
.walk {
  overflow: auto;
  display: grid;
  align-content: start;
  gap: 12px;
  max-width: 560px;
  padding-bottom: 20px;
}
.where {
  display: flex;
  gap: 12px;
  align-items: center;
}
.where :deep(.p-select) {
  flex: 1;
  min-height: 44px;
  align-items: center;
  font-size: 15px;
}
.card {
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 14px;
  display: grid;
  gap: 10px;
}
.who {
  font-size: 14px;
  color: var(--ink-2);
}
.question {
  font-size: 18px;
  line-height: 1.3;
  font-weight: 500;
}
.fields {
  display: grid;
  gap: 6px;
}
.fields :deep(.field-row) {
  grid-template-columns: 1fr;
}
.fields :deep(.control) {
  flex-wrap: wrap;
}
.fields :deep(.quantity) {
  flex: 1 1 96px;
}
.fields :deep(.label) {
  font-size: 13px;
}
.fields :deep(.hint) {
  display: none;
}
.fields :deep(.p-select),
.fields :deep(.p-multiselect),
.fields :deep(input) {
  min-height: 46px;
  font-size: 16px;
  align-items: center;
}
.fields :deep(.p-togglebutton) {
  min-height: 46px;
  min-width: 84px;
  font-size: 15px;
}
.big {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 10px;
}
.big .btn,
.fields .btn {
  justify-content: center;
  min-height: 48px;
  align-items: center;
  font-size: 16px;
}
.beside {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--rule);
  padding-top: 10px;
}
.beside :deep(input) {
  min-height: 44px;
  font-size: 15px;
}
.left .minor {
  padding-bottom: 4px;
}
.place {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 11px 8px;
  border-top: 1px solid var(--rule);
  font-size: 15px;
}
.place[aria-current='true'] {
  background: var(--copper-3);
  box-shadow: inset 3px 0 var(--copper);
}
</style>
