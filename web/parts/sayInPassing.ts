import type { ToastMessageOptions } from 'primevue/toast';

type Show = (words: ToastMessageOptions) => void;

let begin: (show: Show) => void = () => undefined;
const shown = new Promise<Show>((resolve) => {
  begin = resolve;
});

/** Called once that which shows what is said is on the page. */
export const passingWordsShownBy = (show: Show): void => begin(show);

/**
 * Says something that goes by itself after a while. That which shows it is fetched beside what is seen first; what is said
 * before waits for it.
 */
export const sayInPassing: Show = (words) => void shown.then((show) => show(words));
