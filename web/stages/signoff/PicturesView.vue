<script setup lang="ts">
import { computed, ref } from 'vue';
import type { SignOff } from '#core/evaluate';
import { pixelsMarked, viewOfCamera } from '#core/signoff/pictures';
import type { Photo, PictureSubject } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import PickField from '../../parts/PickField.vue';
import { pictureAddress } from '../../stores/api';
import { useOpenSite } from '../../stores/openSite';
import { useSignOff } from '../../stores/signOff';
import { useSite } from '../../stores/site';
import PhotoStrip from '../survey/PhotoStrip.vue';
import MetreMark from './MetreMark.vue';
import { useThingInHand } from './useThingInHand';

/** The view before and after, by day and by lamps, side by side, with a metre marked at the target. */
const { now } = defineProps<{ now: SignOff }>();
const store = useSite();
const openSite = useOpenSite();
const signOff = useSignOff();
const problem = ref('');

const { thing: inHand, pick } = useThingInHand(() => now.things);
const things = computed(() => now.things.filter(({ of }) => of.kind === 'camera'));
const thing = computed(() => (inHand.value?.of.kind === 'camera' ? inHand.value : null));
const camera = computed(() => openSite.value.camera[thing.value?.of.id ?? ''] ?? null);
const cameras = computed(() =>
  things.value.map((one) => ({ value: one.of.id, label: `${one.number ?? ''} ${one.name}` })),
);
const pickCamera = (id: string): void => pick(things.value.find(({ of }) => of.id === id)!);
const photos = computed(() =>
  Object.values(openSite.value.photo)
    .filter(({ of }) => of.kind === 'camera' && of.id === camera.value?.id)
    .sort((a, b) => a.at.localeCompare(b.at)),
);
const cells: { subject: PictureSubject; label: string }[] = [
  { subject: 'before-day', label: 'Before, by day' },
  { subject: 'after-day', label: 'After, by day' },
  { subject: 'before-lamps', label: 'Before, by lamps' },
  { subject: 'after-lamps', label: 'After, by lamps' },
];
const photoOf = (subject: PictureSubject): Photo | null =>
  photos.value.findLast(({ shows }) => shows === subject) ?? null;
const choices = computed(() =>
  photos.value.map(({ id, caption, at }) => ({
    value: id,
    label: caption ?? at.slice(0, 16).replace('T', ' '),
  })),
);
const set = (photo: Photo, label: string): void => {
  problem.value = store
    .change(label, [{ kind: 'photo', id: photo.id, set: photo }])
    .map(({ allowed }) => allowed)
    .join('; ');
};
function show(id: string, subject: PictureSubject): void {
  const photo = openSite.value.photo[id];
  if (photo) set({ ...photo, shows: subject }, `What a photo of ${camera.value?.number} shows`);
}
const mark = (photo: Photo, metre: NonNullable<Photo['metre']>): void =>
  set({ ...photo, metre }, `A metre in the picture of ${camera.value?.number}`);

const seen = computed(() => camera.value && viewOfCamera(openSite.value, camera.value));
const check = computed(
  () => thing.value?.checks.find(({ check: one }) => one === 'pixels-per-metre') ?? null,
);
const measured = (photo: Photo | null): number | null =>
  photo && seen.value ? pixelsMarked(photo, seen.value.acrossPixels) : null;
function take(value: number): void {
  if (!thing.value) return;
  problem.value = signOff.read(
    thing.value,
    'pixels-per-metre',
    { kind: 'figure', value: Math.round(value) },
    { instrument: 'one-metre target, marked in the picture' },
  );
}
</script>

<template>
  <div class="pictures" tabindex="0" role="region" aria-label="Pictures">
    <p class="row">
      <span class="dim">Camera</span
      ><PickField
        :value="camera?.id ?? null"
        :choices="cameras"
        label="Camera whose pictures these are"
        placeholder="Choose a camera"
        @take="pickCamera"
      />
    </p>
    <p v-if="!camera" class="empty">
      <strong>No camera is picked.</strong>Pick one above, or its run on the left; its pictures before and
      after are set side by side here.
    </p>
    <template v-else>
      <div class="row">
        <h2>{{ camera.number }} {{ camera.name }}</h2>
        <span v-if="check?.predicted" class="dim" data-pixels
          >at {{ formatQuantity(camera.targetM ?? null, 'm') }} predicted
          {{ formatQuantity(check.predicted.value, 'px/m') }}, wanted {{ check.wanted
          }}{{ check.found ? `, read ${check.found}` : '' }}</span
        >
        <span v-else class="dim">Lens and target are not noted, so pixels on a metre are not predicted.</span>
      </div>
      <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
      <div class="grid">
        <section v-for="cell in cells" :key="cell.subject" :data-picture="cell.subject">
          <div class="row">
            <h3>{{ cell.label }}</h3>
            <span class="push" />
            <PickField
              v-if="choices.length > 0"
              :value="photoOf(cell.subject)?.id ?? null"
              :choices="choices"
              :label="`Photo that shows it: ${cell.label}`"
              placeholder="Pick a photo"
              @take="(id) => show(id, cell.subject)"
            />
          </div>
          <template v-if="photoOf(cell.subject)">
            <MetreMark
              v-if="cell.subject.startsWith('after')"
              :photo="photoOf(cell.subject)!"
              :alt="`${cell.label}, ${camera.name}`"
              @mark="(metre) => mark(photoOf(cell.subject)!, metre)"
            />
            <img
              v-else
              :src="pictureAddress(photoOf(cell.subject)!.fileId)"
              :alt="`${cell.label}, ${camera.name}`"
            />
            <p v-if="measured(photoOf(cell.subject)) !== null" class="row tiny">
              <span class="mono">{{ formatQuantity(measured(photoOf(cell.subject)), 'px/m') }}</span>
              <button
                v-if="check"
                type="button"
                class="btn small"
                @click="take(measured(photoOf(cell.subject))!)"
              >
                Take as a reading
              </button>
            </p>
          </template>
          <p v-else class="none dim tiny">No photo shows it yet.</p>
        </section>
      </div>
      <PhotoStrip :of="{ kind: 'camera', id: camera.id }" :what="`camera ${camera.number}`" />
    </template>
  </div>
</template>

<style scoped>
.pictures {
  overflow: hidden auto;
  scrollbar-width: thin;
}
h2 {
  font-size: 15px;
}
h3 {
  font-size: 12px;
}
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
  padding: 8px 0;
}
.grid .row {
  align-items: center;
  min-height: 28px;
}
img,
.none {
  width: 100%;
  max-height: 240px;
  object-fit: contain;
  background: var(--sheet);
}
.none {
  display: grid;
  place-items: center;
  height: 120px;
  border: 1px dashed var(--rule-strong);
}
@media (max-width: 700px) {
  .grid {
    grid-template-columns: 1fr;
  }
}
</style>
