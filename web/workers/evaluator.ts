import { wrap, type Remote } from 'comlink';
import type { EarlySite, Evaluator } from './evaluator.worker';

/** The thread that works out what a site comes to, started before anything else of the page. */
export const evaluator: Remote<Evaluator> = wrap<Evaluator>(
  new Worker(new URL('./evaluator.worker.ts', import.meta.url), { type: 'module' }),
);

/** The site of the address that was opened is fetched and worked out over there while the page makes itself ready here. */
const openedId = /^\/site\/([^/]+)/.exec(window.location.pathname)?.[1];
let early: { id: string; site: Promise<EarlySite | null> } | null =
  openedId === undefined ? null : { id: openedId, site: evaluator.fetchSite(openedId).catch(() => null) };

/** What was made ready of this site, once; `null` where it was another, or could not be had. */
export async function takeEarly(id: string): Promise<EarlySite | null> {
  const ready = early?.id === id ? early.site : null;
  early = null;
  return ready;
}
