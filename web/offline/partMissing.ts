import { ref } from 'vue';
import { missedAhead } from './fetchAhead';

/** Whether a part of the pages could not be fetched, as where the network went away before the browser had kept it. */
export const isPartMissing = ref(false);

/** Hears of parts that cannot be fetched for as long as the page is there. Of those that nobody asked for nobody has to hear. */
export const watchParts = (): void =>
  window.addEventListener('vite:preloadError', ({ payload }) => {
    // Whoever fetched it ahead of time learns of the same failure, just after this.
    setTimeout(() => {
      if (!missedAhead.has(payload)) isPartMissing.value = true;
    });
  });
