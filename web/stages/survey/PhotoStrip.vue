<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import { freeId, type Photo } from '#core/model/site';
import { api, pictureAddress } from '../../stores/api';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import { idMark } from '../../stores/idMark';

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

async function add(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen || !file.value) return;
  problem.value = '';
  waiting.value = true;
  const answer = await api.keepPicture('photo', chosen);
  waiting.value = false;
  file.value.value = '';
  if (answer.kind !== 'answer') {
    problem.value =
      answer.kind === 'silence'
        ? 'The server does not answer. The photo is still on the phone; attach it again later.'
        : answer.refusal.detail;
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
      <a :href="pictureAddress(photo.fileId)" target="_blank" rel="noreferrer"
        ><img
          :src="pictureAddress(photo.fileId)"
          :alt="`Photo ${index + 1} of ${what}, ${photo.by}`"
          loading="lazy"
      /></a>
      <button
        type="button"
        class="plain away"
        :aria-label="`Take away photo ${index + 1}`"
        @click="remove(photo)"
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
.away {
  position: absolute;
  right: 0;
  top: 0;
  width: 22px;
  height: 22px;
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
