import { proxy, releaseProxy, wrap, type Remote } from 'comlink';
import { toRaw } from 'vue';
import type { Site } from '#core/model/site';
import type { Planner } from './planner.worker';

/** Thrown to whoever waited for work that was stopped. */
export class Stopped extends Error {}

/**
 * The solver in a thread of its own, at one piece of work at a time. It hears nothing while it searches, so stopping ends
 * the thread; what it has told until then is its owner's.
 */
export class PlannerThread {
  #worker: Worker | null = null;
  #remote: Remote<Planner> | null = null;
  /** The site that the thread has. */
  #held: Site | null = null;
  /** Rejects for whoever waits for what is under way. */
  #leave: ((why: Error) => void) | null = null;
  /** Which piece of work is under way or was last: what an earlier one still tells is passed over. */
  #turn = 0;

  constructor(private readonly siteNow: () => Site | null) {}

  get isBusy(): boolean {
    return this.#leave !== null;
  }

  /** Ends the thread; the next piece of work starts another. */
  end(): void {
    this.#remote?.[releaseProxy]();
    this.#worker?.terminate();
    [this.#worker, this.#remote, this.#held] = [null, null, null];
  }

  #start(): Remote<Planner> {
    this.#worker = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' });
    // Its program comes from the server, which may be gone just now.
    this.#worker.addEventListener('error', () =>
      this.#leave?.(new Error('the solver could not be started; is the server there?')),
    );
    return wrap<Planner>(this.#worker);
  }

  /** The thread with the site as it is now. */
  async #ready(): Promise<Remote<Planner>> {
    const remote = (this.#remote ??= this.#start());
    const site = toRaw(this.siteNow());
    if (site && this.#held !== site) {
      this.#held = site;
      await remote.hold(JSON.stringify(site));
    }
    return remote;
  }

  /** Does a piece of work; what was under way makes room. Rejects with `Stopped` where it was stopped, else with what went wrong. */
  async work<T>(task: (planner: Remote<Planner>) => Promise<T>): Promise<T> {
    this.stop();
    this.#turn += 1;
    const stopped = new Promise<never>((_, reject) => (this.#leave = reject));
    const mine = this.#leave;
    try {
      return await Promise.race([this.#ready().then(task), stopped]);
    } finally {
      if (this.#leave === mine) this.#leave = null;
    }
  }

  /** Ends what is under way. */
  stop(): void {
    const left = this.#leave;
    if (!left) return;
    this.end();
    this.#leave = null;
    left(new Stopped());
  }

  /** Hears the thread out as long as nothing newer was asked of it. News travel beside the answer and may come after it. */
  heard<T>(tell: (news: T) => void): (news: T) => void {
    const mine = this.#turn;
    return proxy((news: T) => {
      if (mine === this.#turn) tell(news);
    });
  }
}
