import { nextTick, watch, type ShallowRef, type WatchSource } from 'vue';

/**
 * Of many things beside each other only the one in hand is a stop of Tab; `tabindex="0"` marks it. Where the focus is on one of them, it
 * goes along when another is in hand.
 */
export function useRovingFocus(
  box: Readonly<ShallowRef<HTMLElement | SVGElement | null>>,
  inHand: WatchSource<unknown>,
): void {
  watch(inHand, async () => {
    // What is drawn only in sight may be gone by then, with the focus on it.
    const had = box.value?.contains(document.activeElement) === true;
    await nextTick();
    if (had) box.value?.querySelector<HTMLElement>('[data-roving][tabindex="0"]')?.focus();
  });
}
