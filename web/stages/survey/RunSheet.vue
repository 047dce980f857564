<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import type { RunSummary } from '#core/evaluate';
import { removeRunAndCamera, type Camera, type Place, type Run } from '#core/model/site';
import RunLine from '../../line/RunLine.vue';
import FieldRow from '../../parts/FieldRow.vue';
import TextField from '../../parts/TextField.vue';
import { useSite } from '../../stores/site';
import CameraFields from './CameraFields.vue';
import FeedFields from './FeedFields.vue';
import NewRouteFields from './NewRouteFields.vue';
import PhotoStrip from './PhotoStrip.vue';
import PlaceFields from './PlaceFields.vue';
import SegmentFields from './SegmentFields.vue';

const { evaluation, wantedField = '' } = defineProps<{ evaluation: RunSummary; wantedField?: string }>();
const emit = defineEmits<{ close: [] }>();
const store = useSite();
const problems = ref<string[]>([]);
const sheet = useTemplateRef('sheet');
const place = computed(() => store.site!.place[evaluation.camera.placeId]!);

/** Brings the field that was asked for under the person's hands. */
watch(
  () => wantedField,
  async (field) => {
    await nextTick();
    const row = field ? sheet.value?.querySelector<HTMLElement>(`[data-field="${CSS.escape(field)}"]`) : null;
    row?.scrollIntoView({ block: 'center' });
    row?.querySelector<HTMLElement>('input:not([type=hidden]), [role="combobox"], button:not(.so)')?.focus();
  },
  { immediate: true, flush: 'post' },
);

function say(found: { path: string; allowed: string }[]): void {
  problems.value = found.map(({ path, allowed }) => `${path.split('/').at(-1)}: ${allowed}`);
}
const change = (what: string, run: Run) =>
  say(store.change(`${what} of run ${evaluation.camera.number}`, [{ kind: 'run', id: run.id, set: run }]));
const setCamera = (what: string, camera: Camera) =>
  say(store.change(`${what} of camera ${camera.number}`, [{ kind: 'camera', id: camera.id, set: camera }]));
const setPlace = (what: string, next: Place) =>
  say(store.change(`${what} of ${next.name}`, [{ kind: 'place', id: next.id, set: next }]));

function setNote(note: string): void {
  const { note: _, ...rest } = evaluation.run;
  change('Note', note ? { ...rest, note } : rest);
}
function reached(): void {
  const { unreached: _, ...rest } = evaluation.run;
  change('Reached after all', rest);
}
function remove(): void {
  const changes = removeRunAndCamera(store.site!, evaluation.run.id);
  if (changes.length === 0)
    problems.value = ['This run has readings, and readings are kept. It cannot be removed.'];
  else say(store.change(`Remove run ${evaluation.camera.number} ${evaluation.camera.name}`, changes));
}
</script>

<template>
  <aside ref="sheet" class="run-sheet" :aria-label="`Sheet of run ${evaluation.camera.number}`">
    <div class="row">
      <h2>{{ evaluation.camera.number }} {{ evaluation.camera.name }}</h2>
      <span class="push" /><button type="button" class="plain dim" @click="emit('close')">
        Close <kbd>Esc</kbd>
      </button>
    </div>
    <div v-if="problems.length > 0" class="caution" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
    <p v-if="evaluation.run.unreached" class="caution" data-field="unreached">
      Could not be reached: {{ evaluation.run.unreached.why }} ({{ evaluation.run.unreached.by }}).
      <button type="button" class="plain so" @click="reached">Reached after all</button>
    </p>
    <RunLine
      :evaluation="evaluation"
      :head-end="store.site!.place[evaluation.run.headEndId]?.name.split(' ')[0] ?? ''"
    />
    <section>
      <h3>Cable, from the head end outwards</h3>
      <SegmentFields
        v-for="(segment, index) in evaluation.run.segments"
        :key="index"
        :run="evaluation.run"
        :index="index"
        :segment="segment"
        @change="change"
      />
    </section>
    <section>
      <h3>Power and patching</h3>
      <FeedFields :run="evaluation.run" @change="change" />
    </section>
    <section>
      <h3>Camera</h3>
      <CameraFields :camera="evaluation.camera" @set="setCamera" />
    </section>
    <section>
      <h3>{{ place.name }}</h3>
      <PlaceFields :place="place" @set="setPlace" />
    </section>
    <section>
      <h3>After the change</h3>
      <NewRouteFields :run="evaluation.run" :length-m="evaluation.lengthM" @change="change" />
    </section>
    <section>
      <h3>Note and photos</h3>
      <FieldRow label="Note"
        ><TextField
          :value="evaluation.run.note ?? ''"
          label="Note on the run"
          :refuse="(text) => (text.length <= 2000 ? undefined : 'up to 2000 characters')"
          @take="setNote"
      /></FieldRow>
      <PhotoStrip
        class="strip"
        :of="{ kind: 'camera', id: evaluation.camera.id }"
        :what="`camera ${evaluation.camera.number}`"
      />
    </section>
    <button type="button" class="btn small remove" @click="remove">Remove this run</button>
  </aside>
</template>

<style scoped>
.run-sheet {
  overflow: hidden auto;
  padding: 14px 16px;
  background: var(--sheet);
  border-left: 1px solid var(--rule-strong);
  display: flex;
  flex-direction: column;
  gap: 10px;
  scrollbar-width: thin;
}
.run-sheet > * {
  flex: none;
}
h3 {
  padding-bottom: 4px;
  border-bottom: 1px solid var(--rule-strong);
  margin-bottom: 4px;
}
.strip {
  padding-top: 6px;
}
.so {
  text-decoration: underline;
  text-underline-offset: 2px;
}
.remove {
  align-self: start;
}
</style>
