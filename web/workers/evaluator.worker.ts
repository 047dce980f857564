import { expose } from 'comlink';
import { openedSite, type OpenedSite } from './openedSite';

// Asks for the site before the program that works it out is here: either takes as long as the other.

/** Said by the page before anything else: the site that it was opened at, if it was at one. */
export interface FirstWord {
  openedId: string | null;
}

let opened: Promise<OpenedSite | null> = Promise.resolve(null);
/** What is asked before the program is here. */
const held: MessageEvent[] = [];
function hold(event: MessageEvent<FirstWord | object>): void {
  if (!('openedId' in event.data)) held.push(event);
  else if (event.data.openedId !== null) opened = openedSite(event.data.openedId);
}

self.addEventListener('message', hold);
import('./siteEvaluator').then(
  ({ siteEvaluator }) => {
    self.removeEventListener('message', hold);
    expose(siteEvaluator(opened));
    for (const { data, ports } of held)
      self.dispatchEvent(new MessageEvent('message', { data: data as unknown, ports: [...ports] }));
  },
  // Thrown outside of a promise the page hears of it.
  () =>
    setTimeout(() => {
      throw new Error('its program could not be fetched');
    }),
);
