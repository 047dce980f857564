import { nextTick, watch } from 'vue';

/** Whoever opened a panel is back where he was once it closes, unless he has gone elsewhere meanwhile. */
export function useFocusBack(isOpen: () => boolean): void {
  let before: HTMLElement | SVGElement | null = null;
  watch(
    isOpen,
    async (open) => {
      if (open) {
        const { activeElement: now } = document;
        before = now instanceof HTMLElement || now instanceof SVGElement ? now : null;
        return;
      }
      await nextTick();
      if (document.activeElement === document.body && before?.isConnected) before.focus();
    },
    { flush: 'sync' },
  );
}
