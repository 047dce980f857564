import { ref } from 'vue';

/** Whether a part of the pages could not be fetched, as where the network went away before the browser had kept it. */
export const isPartMissing = ref(false);

/** Hears of parts that cannot be fetched for as long as the page is there. */
export const watchParts = (): void =>
  window.addEventListener('vite:preloadError', () => {
    isPartMissing.value = true;
  });
