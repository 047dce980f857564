<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import type { RunSummary } from '#core/evaluate';
import {
  removeRunAndCamera,
  withFields,
  type Camera,
  type FactUpdate,
  type Place,
  type Run,
} from '#core/model/site';
import RunLine from '../../line/RunLine.vue';
import FieldRow from '../../parts/FieldRow.vue';
import TextField from '../../parts/TextField.vue';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import CameraFields from './CameraFields.vue';
import FeedFields from './FeedFields.vue';
import InLineFields from './InLineFields.vue';
import NewRouteFields from './NewRouteFields.vue';
import PhotoStrip from './PhotoStrip.vue';
import PlaceFields from './PlaceFields.vue';
import SegmentFields from './SegmentFields.vue';

const { evaluation, wantedField = '' } = defineProps<{ evaluation: RunSummary; wantedField?: string }>();
const emit = defineEmits<{ close: [] }>();
const store = useSite();
const openSite = useOpenSite();
const problems = ref<string[]>([]);
const sheet = useTemplateRef('sheet');
/** The facts as they are now; what was made of them follows a moment later. */
const run = computed(() => openSite.value.run[evaluation.run.id] ?? evaluation.run);
const camera = computed(() => openSite.value.camera[evaluation.camera.id] ?? evaluation.camera);
const place = computed(() => openSite.value.place[camera.value.placeId]!);

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
const change = (what: string, next: FactUpdate<Run>) =>
  say(store.update(`${what} of run ${camera.value.number}`, 'run', evaluation.run.id, next));
const setCamera = (what: string, next: FactUpdate<Camera>) =>
  say(store.update(`${what} of camera ${camera.value.number}`, 'camera', camera.value.id, next));
const setPlace = (what: string, next: FactUpdate<Place>) =>
  say(store.update(`${what} of ${place.value.name}`, 'place', place.value.id, next));

const parts = ['Cable', 'Gear', 'Power', 'Camera', 'Place', 'Afterwards', 'Note'] as const;
/** Brings a part under the eyes, and the keys with it: the next Tab is its first field. */
function goTo(part: (typeof parts)[number]): void {
  const section = sheet.value?.querySelector<HTMLElement>(`[data-part="${part}"]`);
  section?.scrollIntoView({ block: 'start' });
  section?.querySelector('h3')?.focus({ preventScroll: true });
}

const setNote = (note: string) => change('Note', (now) => withFields(now, { note: note || undefined }));
const reached = () => change('Reached after all', (now) => withFields(now, { unreached: undefined }));
function remove(): void {
  const removal = removeRunAndCamera(openSite.value, evaluation.run.id);
  if (removal.kind === 'in-use')
    problems.value = [`Still needed by ${removal.by.join(', ')}. It cannot be removed.`];
  else say(store.change(`Remove run ${evaluation.camera.number} ${evaluation.camera.name}`, removal.changes));
}
</script>

<template>
  <aside ref="sheet" class="run-sheet" :aria-label="`Sheet of run ${camera.number}`">
    <!-- What was typed and not understood belongs to its run, and goes with it; how far the sheet is scrolled stays. -->
    <div :key="run.id" class="fields">
      <div class="top">
        <div class="row">
          <h2>{{ camera.number }} {{ camera.name }}</h2>
          <span class="push" /><button type="button" class="plain dim" @click="emit('close')">
            Close <kbd>Esc</kbd>
          </button>
        </div>
        <nav class="parts" aria-label="Parts of the sheet">
          <button v-for="part in parts" :key="part" type="button" class="plain" @click="goTo(part)">
            {{ part }}
          </button>
        </nav>
      </div>
      <div v-if="problems.length > 0" class="caution" role="alert">
        <p v-for="problem in problems" :key="problem">{{ problem }}</p>
      </div>
      <p v-if="run.unreached" class="caution" data-field="unreached">
        Could not be reached: {{ run.unreached.why }} ({{ run.unreached.by }}).
        <button type="button" class="plain so" @click="reached">Reached after all</button>
      </p>
      <RunLine :evaluation="evaluation" :head-end="openSite.place[run.headEndId]?.name.split(' ')[0] ?? ''" />
      <section data-part="Cable">
        <h3 tabindex="-1">Cable, from the head end outwards</h3>
        <SegmentFields
          v-for="(segment, index) in run.segments"
          :key="index"
          :run="run"
          :index="index"
          :segment="segment"
          @change="change"
        />
      </section>
      <section data-part="Gear">
        <h3 tabindex="-1">Gear in the line</h3>
        <InLineFields :run="run" @change="change" />
      </section>
      <section data-part="Power">
        <h3 tabindex="-1">Power and patching</h3>
        <FeedFields :run="run" @change="change" />
      </section>
      <section data-part="Camera">
        <h3 tabindex="-1">Camera</h3>
        <CameraFields :camera="camera" @set="setCamera" />
      </section>
      <section data-part="Place">
        <h3 tabindex="-1">{{ place.name }}</h3>
        <PlaceFields :place="place" @set="setPlace" />
      </section>
      <section data-part="Afterwards">
        <h3 tabindex="-1">After the change</h3>
        <NewRouteFields :run="run" :length-m="evaluation.lengthM" @change="change" />
      </section>
      <section data-part="Note">
        <h3 tabindex="-1">Note and photos</h3>
        <FieldRow label="Note"
          ><TextField
            :value="run.note ?? ''"
            label="Note on the run"
            :refuse="(text) => (text.length <= 2000 ? undefined : 'up to 2000 characters')"
            @take="setNote"
        /></FieldRow>
        <PhotoStrip class="strip" :of="{ kind: 'camera', id: camera.id }" :what="`camera ${camera.number}`" />
      </section>
      <button type="button" class="btn small remove" @click="remove">Remove this run</button>
    </div>
  </aside>
</template>

<style scoped>
.run-sheet {
  overflow: hidden auto;
  padding: 0 16px 14px;
  background: var(--sheet);
  border-left: 1px solid var(--rule-strong);
  scrollbar-width: thin;
}
.fields {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.fields > * {
  flex: none;
}
.top {
  position: sticky;
  top: 0;
  z-index: 2;
  padding: 14px 0 6px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
.parts button {
  min-height: 24px;
  color: var(--ink-2);
  font-size: 12px;
  text-decoration: underline;
  text-underline-offset: 2px;
}
section {
  scroll-margin-top: 74px;
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
