<script setup lang="ts">
import { computed } from 'vue';
import { siteRoleDefinitions } from '#contract';
import { counted } from '#core/shared/labels';
import { useAccount } from '../stores/account';
import { useEvaluation } from '../stores/evaluation';
import { useLive } from '../stores/live';
import { isPendingKept } from '../stores/pendingEdits';
import { useSite } from '../stores/site';
import { useWaitingPhotos } from '../stores/waitingPhotos';

/** Under the name of the site: how large it is, who else is here, and whether what was noted is saved. What is not saved is said first. */
const store = useSite();
const account = useAccount();
const evaluation = useEvaluation();
const live = useLive();
const photos = useWaitingPhotos();

const isWaiting = computed(() => store.saving === 'waiting');
const waitingPhotos = computed(() => (photos.waiting > 0 ? counted(photos.waiting, 'photo') : ''));

const notSaved = computed(() => {
  const edits = counted(store.waiting, 'edit');
  if (store.waiting > 0 && !isPendingKept.value)
    return `not saved, and this device has no room: ${edits} in this window only. Save them as a file under “waiting”`;
  const kept = `${edits} kept in this browser${waitingPhotos.value ? `, ${waitingPhotos.value} too` : ''}`;
  const why = account.isSignedOut ? 'sign in again' : 'the server does not answer';
  return `not saved: ${why}. ${kept}`;
});
const saved = computed(() => {
  if (store.knownAt !== null) {
    const at = new Date(store.knownAt).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' });
    return `no network: as known here at ${at}`;
  }
  if (store.saving === 'saving') return 'saving';
  if (!store.savedAt) return 'saved';
  const at = new Date(store.savedAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  return `saved ${at}`;
});

const size = computed(() =>
  store.site
    ? [
        counted(Object.keys(store.site.camera).length, 'camera'),
        counted(Object.keys(store.site.recorder).length, 'recorder'),
      ]
    : [],
);
const words = computed(() =>
  isWaiting.value
    ? notSaved.value
    : [
        ...size.value,
        store.role ? `you as ${siteRoleDefinitions[store.role].label}` : '',
        live.others > 0 ? `${counted(live.others, 'other window')} here` : '',
        evaluation.tracesLeft > 0 ? `reading ${evaluation.tracesLeft} traces` : '',
        waitingPhotos.value ? `${waitingPhotos.value} not uploaded yet` : '',
        saved.value,
      ]
        .filter(Boolean)
        .join(', '),
);
</script>

<template>
  <span class="saved" :data-whole="evaluation.isWhole" :class="{ waiting: isWaiting }" role="status">{{
    words
  }}</span>
</template>

<style scoped>
.saved {
  display: block;
  font-size: 11px;
  color: var(--ink-2);
}
.saved.waiting {
  color: var(--madder);
  font-weight: 600;
  line-height: 1.15;
}
@media (max-width: 700px) {
  .saved {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
</style>
