<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useTemplateRef } from 'vue';
import { freeId, type Photo } from '#core/model/site';
import { api, pictureAddress } from '../../stores/api';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import { idMark } from '../../stores/idMark';
import PhotoDialog from './PhotoDialog.vue';
import PhotoMarks from './PhotoMarks.vue';
import { useWaitingPhotos, type WaitingPhoto } from '../../stores/waitingPhotos';

/** Photos of one thing, and a big button that opens the phone's camera. */
const { of, what } = defineProps<{ of: Photo['of']; what: string }>();
const store = useSite();
const openSite = useOpenSite();
const file = useTemplateRef('file');
const problem = ref('');
const waiting = ref(false);
const photos = computed(() =>
  Object.values(openSite.value.photo)
    .filter((photo) => photo.of.kind === of.kind && photo.of.id === of.id)
    .sort((a, b) => a.at.localeCompare(b.at)),
);

const opened = ref<string | null>(null);
const openedPhoto = computed(() => photos.value.find(({ id }) => id === opened.value) ?? null);
const waitingPhotos = useWaitingPhotos();
/** Photos of this thing that nobody but this browser has yet. */
const kept = computed(() =>
  waitingPhotos.photos
    .filter((photo) => photo.of.kind === of.kind && photo.of.id === of.id)
    .map((photo) => ({ ...photo, address: addressOf(photo) })),
);
const addresses = new Map<string, string>();
function addressOf({ id, picture }: WaitingPhoto): string {
  const known = addresses.get(id) ?? URL.createObjectURL(picture);
  addresses.set(id, known);
  return known;
}
onBeforeUnmount(() => addresses.forEach((address) => URL.revokeObjectURL(address)));
async function keepHere(picture: Blob): Promise<void> {
  try {
    await waitingPhotos.add({ of, what, picture });
  } catch {
    problem.value =
      'There is no room for the photo in this browser. It is still on the phone; attach it again later.';
  }
}

async function add(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen || !file.value) return;
  problem.value = '';
  waiting.value = true;
  const answer = await api.keepPicture('photo', chosen);
  waiting.value = false;
  file.value.value = '';
  if (answer.kind === 'silence') return keepHere(chosen);
  if (answer.kind === 'refusal') {
    problem.value = answer.refusal.detail;
    return;
  }
  const { remarks: _, ...picture } = answer.value;
  const id = freeId((wanted) => wanted in openSite.value.photo, `photo-${of.id}`, idMark);
  problem.value = store
    .change(`Photo of ${what}`, [
      {
        kind: 'photo',
        id,
        set: { id, ...picture, of, at: new Date().toISOString(), by: store.signedBy('Surveyor') },
      },
    ])
    .map(({ allowed }) => allowed)
    .join('; ');
}
const remove = (photo: Photo) =>
  store.change(`Take away a photo of ${what}`, [{ kind: 'photo', id: photo.id, remove: true }]);
</script>

<template>
  <div class="photos">
    <figure v-for="(photo, index) in photos" :key="photo.id">
      <button
        type="button"
        class="plain shown"
        :aria-label="`Photo ${index + 1} of ${what}, open it`"
        @click="opened = photo.id"
      >
        <img
          :src="pictureAddress(photo.fileId)"
          :alt="`Photo ${index + 1} of ${what}, ${photo.by}`"
          loading="lazy"
        />
        <svg
          v-if="photo.marks"
          :viewBox="`0 0 ${photo.widthPx} ${photo.heightPx}`"
          preserveAspectRatio="xMidYMid slice"
          aria-hidden="true"
        >
          <PhotoMarks :marks="photo.marks" :width-px="photo.widthPx" :height-px="photo.heightPx" />
        </svg>
      </button>
      <button
        type="button"
        class="plain away"
        :aria-label="`Take away photo ${index + 1}`"
        @click="remove(photo)"
      >
        ×
      </button>
    </figure>
    <figure v-for="photo in kept" :key="photo.id" :title="photo.refused">
      <img :src="photo.address" :alt="`Photo of ${what}, not uploaded yet`" class="waiting" />
      <figcaption>{{ photo.refused ? 'refused' : 'not uploaded' }}</figcaption>
      <button
        v-if="photo.refused"
        type="button"
        class="plain away"
        :aria-label="`Let go of the photo: ${photo.refused}`"
        @click="waitingPhotos.letGo(photo.id)"
      >
        ×
      </button>
    </figure>
    <input
      ref="file"
      type="file"
      accept="image/jpeg,image/png,image/heic,.heic"
      capture="environment"
      class="out-of-sight"
      :aria-label="`Photo of ${what}`"
      tabindex="-1"
      @change="add"
    />
    <button type="button" class="btn" :disabled="waiting" @click="file?.click()">
      {{ waiting ? 'Keeping the photo…' : 'Add a photo' }}
    </button>
    <PhotoDialog v-if="openedPhoto" :photo="openedPhoto" :title="`Photo of ${what}`" @leave="opened = null" />
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
figure {
  position: relative;
  margin: 0;
}
img {
  display: block;
  width: 84px;
  height: 64px;
  object-fit: cover;
  border: 1px solid var(--rule-strong);
}
.shown {
  position: relative;
  display: block;
}
.shown svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
img.waiting {
  border: 2px dashed var(--copper);
}
figcaption {
  position: absolute;
  inset: auto 0 0;
  padding: 1px 4px;
  background: var(--sheet);
  font-size: 11px;
}
.away {
  position: absolute;
  right: 0;
  top: 0;
  width: 24px;
  height: 24px;
  text-align: center;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
.caution {
  flex-basis: 100%;
}
@media (max-width: 700px) {
  .away {
    width: 34px;
    height: 34px;
  }
}
</style>
