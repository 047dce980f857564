<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, ref, watch } from 'vue';
import { counted } from '#core/shared/labels';
import { fromWaitingFile, toWaitingFile } from '../offline/waitingFile';
import { useSite } from '../stores/site';
import { useWaitingPhotos } from '../stores/waitingPhotos';
import { downloadBlob } from '../tables/useTables';

/** What of this site waits on this device for the server, and how to carry it by hand. */
const visible = defineModel<boolean>('visible', { required: true });
const store = useSite();
const photos = useWaitingPhotos();
const said = ref('');
const problem = ref('');
const room = ref('');
const megabytes = (bytes: number): string =>
  `${(bytes / 1e6).toLocaleString([], { maximumFractionDigits: 1 })} MB`;
/** Made when the first moment is written: a browser takes as long for it as for a view. */
const moments = computed(() => new Intl.DateTimeFormat([], { dateStyle: 'short', timeStyle: 'short' }));
const when = (at: string): string => moments.value.format(new Date(at));
/** So many are listed; a day's work apart is more than anybody reads. */
const mostListed = 50;
const listedEdits = computed(() => store.pending.slice(0, mostListed));

async function measureRoom(): Promise<void> {
  [said.value, problem.value] = ['', ''];
  const { usage, quota } = (await navigator.storage?.estimate?.()) ?? {};
  const isKept = (await navigator.storage?.persisted?.()) === true;
  room.value =
    usage === undefined || quota === undefined
      ? ''
      : `Neotrope uses ${megabytes(usage)} of ${megabytes(quota)} on this device. ${
          isKept
            ? 'The browser will not clear it by itself.'
            : 'The browser may clear it where room gets scarce; save a file to be sure.'
        }`;
}
watch(visible, (isOpen) => isOpen && void measureRoom(), { immediate: true });

async function save(): Promise<void> {
  const text = await toWaitingFile({ site: store.id, edits: store.pending, photos: [...photos.photos] });
  downloadBlob(new Blob([text], { type: 'application/json' }), `${store.id}-waiting.neotrope.json`);
}
async function takeIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  const read = fromWaitingFile(await file.text());
  input.value = '';
  [said.value, problem.value] = ['', ''];
  if (!read)
    problem.value = `${file.name} is no file of waiting edits, or was cut short. Nothing was taken in.`;
  else if (read.site !== store.id)
    problem.value = `${file.name} is of another site (${read.site}). Open that one first.`;
  else {
    store.takeWaiting(read.edits);
    for (const photo of read.photos) await photos.add(photo);
    said.value = `Taken in: ${counted(read.edits.length, 'edit')}, ${counted(read.photos.length, 'photo')}. What the server has already is not done twice.`;
  }
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Waiting for the server"
    :style="{ width: '520px' }"
    dismissable-mask
  >
    <p v-if="store.pending.length + photos.photos.length === 0" class="dim">
      Everything that was noted here is saved.
    </p>
    <ul v-else>
      <li v-for="entry in listedEdits" :key="entry.id">
        {{ entry.label }} <span class="dim tiny">{{ entry.by }}, {{ when(entry.at) }}</span>
      </li>
      <li v-if="store.pending.length > mostListed" class="dim">
        and {{ counted(store.pending.length - mostListed, 'edit') }} more
      </li>
      <li v-for="photo in photos.photos" :key="photo.id">
        Photo of {{ photo.what }}
        <span class="dim tiny"
          >{{ megabytes(photo.picture.size) }}, {{ photo.by }}, {{ when(photo.at) }}</span
        >
      </li>
    </ul>
    <p class="row acts">
      <button type="button" class="btn" @click="save">Save as a file</button>
      <label class="btn file"
        >Take in such a file<input
          type="file"
          accept=".json,application/json"
          aria-label="File of waiting edits"
          @change="takeIn"
      /></label>
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    <p v-if="room" class="dim tiny">{{ room }}</p>
  </Dialog>
</template>

<style scoped>
ul {
  max-height: 300px;
  overflow: auto;
}
li {
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
.acts {
  align-items: stretch;
  padding: 10px 0 6px;
}
</style>
