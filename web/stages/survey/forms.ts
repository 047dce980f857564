import { comesLater } from '../../parts/comesLater';

/** What is noted of a run; the board is there before it. */
export const RunSheet = comesLater(() => import('./RunSheet.vue'));
export const AddRunDialog = comesLater(() => import('./AddRunDialog.vue'));

/** Until a form is there, what is typed for it is no key of anything else. */
export const addRunFetched = (): Promise<unknown> => import('./AddRunDialog.vue');
