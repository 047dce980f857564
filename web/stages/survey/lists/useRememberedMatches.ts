import { useLocalStorage } from '@vueuse/core';
import { toRaw } from 'vue';
import type { ListId, Match } from '#core/survey/lists';

/** So many sets of headings are remembered; the oldest goes first. */
const mostKept = 30;

/** What a person said the columns of a file are: a firm’s sheets have the same headings every time. Kept on this device. */
export function useRememberedMatches(id: () => ListId) {
  // Written at once: the dialog that asks for it is gone the moment after.
  const kept = useLocalStorage<Record<string, Match[]>>('neotrope-headings', {}, { flush: 'sync' });
  const nameOf = (headings: readonly string[]): string =>
    [id(), ...headings.map((heading) => heading.trim().toLowerCase())].join(' | ');
  return {
    /** As plain data, since it goes to the thread that reads tables. */
    of: (headings: readonly string[]): Match[] | null =>
      kept.value[nameOf(headings)]?.map((match) => ({ ...match })) ?? null,
    keep: (headings: readonly string[], matches: readonly Match[]): void => {
      const name = nameOf(headings);
      const { [name]: _, ...others } = toRaw(kept.value);
      kept.value = Object.fromEntries([
        ...Object.entries(others).slice(1 - mostKept),
        [name, matches.map((match) => ({ ...match }))],
      ]);
    },
  };
}
