import { wrap, type Remote } from 'comlink';
import { beforeIdle } from '../offline/whenIdle';
import type { FirstWord } from './evaluator.worker';
import type { OpenedSite } from './openedSite';
import type { Evaluator } from './siteEvaluator';

/** What was asked of a thread that another has taken the place of. */
export class StartedAnew extends Error {}

interface Thread {
  remote: Remote<Evaluator>;
  /** Rejects once the thread has failed: what it was asked is never answered then. */
  failure: Promise<never>;
  end: () => void;
}

function startThread(openedId: string | null): Thread {
  const worker = new Worker(new URL('./evaluator.worker.ts', import.meta.url), { type: 'module' });
  worker.postMessage({ openedId } satisfies FirstWord);
  let fail: (why: Error) => void = () => undefined;
  const failure = new Promise<never>((_, reject) => {
    fail = reject;
    worker.addEventListener('error', ({ message }) =>
      reject(new Error(message.replace(/^Uncaught (Error: )?/, '') || 'its code could not be loaded')),
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

const openedId = /^\/site\/([^/]+)/.exec(window.location.pathname)?.[1] ?? null;

/** The thread that works out what a site comes to, started before anything else of the page. */
let thread = startThread(openedId);

/** Asks the thread for something. Rejects where it throws, and where the thread itself fails. */
export function askEvaluator<T>(ask: (evaluator: Remote<Evaluator>) => Promise<T>): Promise<T> {
  return Promise.race([ask(thread.remote), thread.failure]);
}

/** Starts a new thread, which knows no site yet, in place of one that failed. */
export function restartEvaluator(): void {
  thread.end();
  thread = startThread(null);
}

/** The site that the page was opened at, and the first news of it, which come later. */
export interface EarlySite extends OpenedSite {
  news: Promise<string>;
}

/** The thread asks for the site and works it out while the page makes itself ready. */
async function openedEarly(): Promise<EarlySite | null> {
  const news = beforeIdle(askEvaluator((evaluator) => evaluator.openOpened()));
  // Whoever waits for the news hears of a failure; until somebody does it is none of the page's.
  news.catch(() => undefined);
  const site = await askEvaluator((evaluator) => evaluator.opened()).catch(() => null);
  return site && { ...site, news };
}

let early = openedId === null ? null : { id: openedId, site: openedEarly() };

/** What was made ready of this site, once; `null` where it was another, or could not be had. */
export async function takeEarly(id: string): Promise<EarlySite | null> {
  const ready = early?.id === id ? early.site : null;
  early = null;
  return ready;
}
