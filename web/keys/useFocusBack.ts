import { watch } from 'vue';

/** Whoever opened a panel is back where he was once it closes, unless he has gone elsewhere meanwhile. */
export function useFocusBack(isOpen: () => boolean): void {
  let before: HTMLElement | SVGElement | null = null;
  // What has the focus is known only before the panel takes it; that it is gone, only after it is.
  watch(
    isOpen,
    (open) => {
      const { activeElement: now } = document;
      if (open) before = now instanceof HTMLElement || now instanceof SVGElement ? now : null;
    },
    { flush: 'sync' },
  );
  watch(
    isOpen,
    (open) => {
      if (!open && document.activeElement === document.body && before?.isConnected) before.focus();
    },
    { flush: 'post' },
  );
}
