import { wrap, type Remote } from 'comlink';
import { pathOf, sitePath } from '#contract';
import { beforeIdle } from '../offline/whenIdle';
import type { Evaluator } from './evaluator.worker';

/** What was asked of a thread that another has taken the place of. */
export class StartedAnew extends Error {}

interface Thread {
  remote: Remote<Evaluator>;
  /** Rejects once the thread has failed: what it was asked is never answered then. */
  failure: Promise<never>;
  end: () => void;
}

function startThread(): Thread {
  const worker = new Worker(new URL('./evaluator.worker.ts', import.meta.url), { type: 'module' });
  let fail: (why: Error) => void = () => undefined;
  const failure = new Promise<never>((_, reject) => {
    fail = reject;
    worker.addEventListener('error', ({ message }) =>
      reject(new Error(message || 'its code could not be loaded')),
    );
    worker.addEventListener('messageerror', () => reject(new Error('a message could not be read')));
  });
  // Whoever asks hears of it; a failure that nobody asks about is no error of the page.
  failure.catch(() => undefined);
  return {
    remote: wrap<Evaluator>(worker),
    failure,
    end: () => {
      worker.terminate();
      // A thread that is ended answers nothing any more: whoever waits for it is told.
      fail(new StartedAnew('it was started anew'));
    },
  };
}

/** The thread that works out what a site comes to, started before anything else of the page. */
let thread = startThread();

/** Asks the thread for something. Rejects where it throws, and where the thread itself fails. */
export function askEvaluator<T>(ask: (evaluator: Remote<Evaluator>) => Promise<T>): Promise<T> {
  return Promise.race([ask(thread.remote), thread.failure]);
}

/** Starts a new thread, which knows no site yet, in place of one that failed. */
export function restartEvaluator(): void {
  thread.end();
  thread = startThread();
}

/** A site as the server answered it, and the first news of it, which may come later or not at all. */
export interface EarlySite {
  answer: string;
  news: Promise<string>;
  /** Of when it is, where nobody answered and this device knew it; `null` as the server has it now. */
  keptAt: string | null;
}

/** Works a site out while the page makes itself ready. */
function workedOut(answer: string, keptAt: string | null): EarlySite {
  const news = beforeIdle(askEvaluator((evaluator) => evaluator.openServed(answer)));
  // Whoever waits for the news hears of a failure; until somebody does it is none of the page's.
  news.catch(() => undefined);
  return { answer, news, keptAt };
}

/** What this device knows of a site. */
async function keptEarly(id: string): Promise<EarlySite | null> {
  const kept = await import('../offline/keptSites').then(({ keptSite }) => keptSite(id));
  return kept && workedOut(JSON.stringify(kept.served), kept.keptAt);
}

/** The site of an address is asked for before the page has made itself ready; where nobody answers, this device is. */
async function fetchEarly(id: string): Promise<EarlySite | null> {
  try {
    const response = await fetch(`/api${pathOf(sitePath, { id })}`).catch(() => null);
    if (response === null) return await keptEarly(id);
    return response.ok ? workedOut(await response.text(), null) : null;
  } catch {
    return null;
  }
}

const openedId = /^\/site\/([^/]+)/.exec(window.location.pathname)?.[1];
let early: { id: string; site: Promise<EarlySite | null> } | null =
  openedId === undefined ? null : { id: openedId, site: beforeIdle(fetchEarly(openedId)) };

/** What was made ready of this site, once; `null` where it was another, or could not be had. */
export async function takeEarly(id: string): Promise<EarlySite | null> {
  const ready = early?.id === id ? early.site : null;
  early = null;
  return ready;
}
