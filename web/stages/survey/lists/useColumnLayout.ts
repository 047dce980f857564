import { useLocalStorage } from '@vueuse/core';
import { computed, type ComputedRef } from 'vue';
import type { ListId, ShownColumn } from '#core/survey/lists';

interface Layout {
  order: string[];
  widthPx: Record<string, number>;
}

const [narrowestPx, widestPx] = [40, 600];
/** A layout of its own for each list, on this device. */
const usual: Layout = { order: [], widthPx: {} };

/** How a person likes the columns of a list: in which order and how wide, kept until it is set back. */
export function useColumnLayout(id: () => ListId, columns: () => readonly ShownColumn[]) {
  const kept = useLocalStorage<Partial<Record<ListId, Layout>>>('neotrope-columns', {});
  const layout = computed(() => kept.value[id()] ?? usual);
  const set = (fields: Partial<Layout>): void => {
    kept.value = { ...kept.value, [id()]: { ...layout.value, ...fields } };
  };

  const laid: ComputedRef<ShownColumn[]> = computed(() => {
    const { order, widthPx } = layout.value;
    const place = new Map(order.map((key, at) => [key, at]));
    const own = columns().map((column, at) => ({ column, at: place.get(column.key) ?? order.length + at }));
    return own
      .sort((a, b) => a.at - b.at)
      .map(({ column }) => ({ ...column, width: widthPx[column.key] ?? column.width }));
  });
  const isOwn = computed(() => kept.value[id()] !== undefined);

  function widen(key: string, toPx: number): void {
    const px = Math.round(Math.min(widestPx, Math.max(narrowestPx, toPx)));
    set({ widthPx: { ...layout.value.widthPx, [key]: px } });
  }
  /** Puts a column where another stands. */
  function move(key: string, whereIs: string): void {
    const keys = laid.value.map((column) => column.key);
    const to = keys.indexOf(whereIs);
    if (to < 0 || key === whereIs) return;
    const rest = keys.filter((one) => one !== key);
    set({ order: [...rest.slice(0, to), key, ...rest.slice(to)] });
  }
  function step(key: string, by: 1 | -1): void {
    const keys = laid.value.map((column) => column.key);
    const other = keys[keys.indexOf(key) + by];
    if (other !== undefined) move(key, other);
  }
  function reset(): void {
    const { [id()]: _, ...others } = kept.value;
    kept.value = others;
  }
  return { laid, isOwn, widen, move, step, reset };
}
