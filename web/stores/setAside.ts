import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { Change, Fact, Kind, Site } from '#core/model/site';
import type { Dropped } from './editQueue';
import { useSite } from './site';

/** So many are kept of all sites; more than that nobody goes through. */
const mostKept = 100;

/** What an edit that was set aside asks for on the site as it is now: the fields that were differed about, and what it wanted beside. */
export function againOn({ entry, clashes }: Pick<Dropped, 'entry' | 'clashes'>, site: Site): Change[] {
  return entry.changes.map((change): Change => {
    const now = site[change.kind][change.id] as Fact<Kind> | undefined;
    const mine = clashes.filter(
      ({ kind, id, field }) => kind === change.kind && id === change.id && field !== '',
    );
    if (!('set' in change) || !now || mine.length === 0) return change;
    const fields = Object.fromEntries(mine.map(({ field, mine: value }) => [field, value]));
    return { ...change, set: { ...now, ...fields } } as unknown as Change;
  });
}

/** Edits that were set aside because somebody else had changed the same meanwhile: kept on this device until the person has seen to them. */
export const useSetAside = defineStore('setAside', () => {
  const site = useSite();
  const kept = useLocalStorage<Dropped[]>('neotrope-set-aside', []);
  const here = computed(() => kept.value.filter(({ entry }) => entry.site === site.id));
  const add = (dropped: readonly Dropped[]): void => {
    const ids = new Set(dropped.map(({ entry }) => entry.id));
    kept.value = [...kept.value.filter(({ entry }) => !ids.has(entry.id)), ...dropped].slice(-mostKept);
  };
  const putAway = (id: string): void => {
    kept.value = kept.value.filter(({ entry }) => entry.id !== id);
  };
  /** Does it again on the site as it is now; what is still wrong comes back in words. */
  function again(one: Dropped): string | null {
    if (!site.site) return null;
    const [problem] = site.change(one.entry.label, againOn(one, site.site));
    if (problem) return problem.allowed;
    putAway(one.entry.id);
    return null;
  }
  return { here, add, putAway, again };
});
