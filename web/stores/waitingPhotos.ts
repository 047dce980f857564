import { useEventListener, useIntervalFn } from '@vueuse/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { freeId, type Photo } from '#core/model/site';
import { api } from './api';
import { isMine, useSignedInAs } from './currentUser';
import { idMark } from './idMark';
import { useSite } from './site';

/** A photo that was taken while nobody answered. */
export interface WaitingPhoto {
  id: string;
  siteId: string;
  of: Photo['of'];
  /** What it is of, in words for the log. */
  what: string;
  at: string;
  by: string;
  picture: Blob;
  /** Why the server will not have it; it stays here until a person lets it go. */
  refused?: string;
}
interface PhotosDb extends DBSchema {
  photos: { key: string; value: WaitingPhoto; indexes: { bySite: string } };
}

let opening: Promise<IDBPDatabase<PhotosDb>> | null = null;
const database = (): Promise<IDBPDatabase<PhotosDb>> =>
  (opening ??= openDB<PhotosDb>('neotrope-photos', 1, {
    upgrade(db) {
      db.createObjectStore('photos', { keyPath: 'id' }).createIndex('bySite', 'siteId');
    },
  }));

const againMs = 10_000;
const lock = 'neotrope-photos';
/** Windows of one browser share what waits: one of them sends, or a photo would be noted twice. */
async function alone(task: () => Promise<void>): Promise<void> {
  if (!navigator.locks) return task();
  await navigator.locks.request(lock, { ifAvailable: true }, (held) => (held ? task() : undefined));
}

/** Photos that wait for the server in the browser’s own database, over a reload and a closed tab, until they are kept there. */
export const useWaitingPhotos = defineStore('waitingPhotos', () => {
  const store = useSite();
  const signedInAs = useSignedInAs();
  const photos = shallowRef<readonly WaitingPhoto[]>([]);

  async function load(): Promise<void> {
    const siteId = store.id;
    const found = siteId ? await (await database()).getAllFromIndex('photos', 'bySite', siteId) : [];
    if (store.id === siteId) photos.value = found.sort((a, b) => a.at.localeCompare(b.at));
  }

  /** Keeps a photo here. Rejects where the browser has no room for it. */
  async function add(
    photo: Pick<WaitingPhoto, 'of' | 'what' | 'picture'> & Partial<Pick<WaitingPhoto, 'at' | 'by'>>,
  ): Promise<void> {
    const waiting: WaitingPhoto = {
      at: new Date().toISOString(),
      by: store.signedBy('Surveyor'),
      ...photo,
      id: crypto.randomUUID(),
      siteId: store.id,
    };
    await (await database()).put('photos', waiting);
    await load();
    // Where there is little room, browsers throw away what nobody asked them to keep.
    void navigator.storage?.persist?.();
  }
  async function letGo(id: string): Promise<void> {
    await (await database()).delete('photos', id);
    await load();
  }

  /** Notes the fact of a photo that the server has; the edit waits in turn where it has to. */
  function note(
    photo: WaitingPhoto,
    kept: Pick<Photo, 'fileId' | 'mediaType' | 'widthPx' | 'heightPx'>,
  ): string[] {
    const id = freeId((wanted) => wanted in (store.site?.photo ?? {}), `photo-${photo.of.id}`, idMark);
    const { of, at, by } = photo;
    return store
      .change(`Photo of ${photo.what}`, [{ kind: 'photo', id, set: { id, ...kept, of, at, by } }])
      .map(({ allowed }) => allowed);
  }

  /** Sends what waits, one after the other, until nothing is left or nobody answers. */
  async function sendAll(): Promise<void> {
    const mine = photos.value.filter(
      ({ refused, by }) => refused === undefined && isMine(signedInAs.value, by),
    );
    for (const photo of mine) {
      const answer = await api.keepPicture('photo', photo.picture);
      // Whoever was signed out meanwhile signs in again, and it is sent then.
      const isToWait =
        answer.kind === 'silence' || (answer.kind === 'refusal' && answer.refusal.status === 401);
      if (isToWait || photo.siteId !== store.id || !store.site) return;
      if (answer.kind === 'answer') {
        const { remarks: _, ...kept } = answer.value;
        const problems = note(photo, kept);
        if (problems.length === 0) {
          await letGo(photo.id);
          continue;
        }
        await (await database()).put('photos', { ...photo, refused: problems.join('; ') });
      } else await (await database()).put('photos', { ...photo, refused: answer.refusal.detail });
      await load();
    }
  }
  const send = () => alone(sendAll);

  const waiting = computed(() => photos.value.filter(({ refused }) => refused === undefined).length);
  watch(
    () => (store.opened === 'open' ? store.id : ''),
    async (id) => {
      photos.value = [];
      if (!id) return;
      await load();
      await send();
    },
    { immediate: true },
  );
  useIntervalFn(() => waiting.value > 0 && void send(), againMs);
  useEventListener(window, 'online', () => void send());
  // Nothing is lost by leaving, but nobody else has it yet.
  useEventListener(window, 'beforeunload', (event) => {
    if (waiting.value > 0) event.preventDefault();
  });

  return { photos, waiting, add, letGo };
});
