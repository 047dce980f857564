import { fetchAhead } from '../offline/fetchAhead';
import { comesLater } from '../parts/comesLater';

/** Dialogs and offers around a site; the site is there before them. */
export const BrokenAlarm = comesLater(() => import('./BrokenAlarm.vue'));
export const OwnDialog = comesLater(() => import('./OwnDialog.vue'));
export const SetAsideDialog = comesLater(() => import('./SetAsideDialog.vue'));
export const FindDialog = comesLater(() => import('./FindDialog.vue'));
export const WaitingDialog = comesLater(() => import('./WaitingDialog.vue'));
export const TourBar = comesLater(() => import('./TourBar.vue'));
export const UndoOffer = comesLater(() => import('./UndoOffer.vue'));
export const WhyPanel = comesLater(() => import('./WhyPanel.vue'));

/** Until a dialog is there, what is typed for it is no key of anything else. */
export const ownDialogFetched = (): Promise<unknown> => import('./OwnDialog.vue');
export const findDialogFetched = (): Promise<unknown> => import('./FindDialog.vue');

/** The way back to all sites is there when the network is not; its page says what then is missing. */
fetchAhead(() => import('./SitesView.vue'));
