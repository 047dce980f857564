import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { useSite } from './site';

interface Offer {
  editId: string;
  words: string;
}

/** What one key did to a whole site or to a run’s safety, with the way back beside it. Whatever is done next ends the offer. */
export const useUndoOffer = defineStore('undoOffer', () => {
  const site = useSite();
  const last = shallowRef<Offer | null>(null);
  const offered = computed(() =>
    last.value && last.value.editId === site.history.undoable.at(-1)?.id ? last.value : null,
  );
  /** Call it right after the edit that can be taken back. */
  function offer(words: string): void {
    const edit = site.history.undoable.at(-1);
    last.value = edit ? { editId: edit.id, words } : null;
  }
  const leave = (): void => {
    last.value = null;
  };
  return { offered, offer, leave };
});
