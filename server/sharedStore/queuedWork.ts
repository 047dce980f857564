import type PgBoss from 'pg-boss';
import { toSiteFile } from '#core/model/site';
import type { JobKind, Jobs } from '../evaluation/jobs';
import type { Order, Work } from '../evaluation/work';
import { mostSecondsOf, packedUp, queueOf, unpacked, type Parcel } from './workQueue';

/** So long an order waits for a worker; one that has nothing to do takes it in half a second. */
const untakenMs = 1000;
const lookMs = 200;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Hands an order on and waits for what comes of it; `untaken` where no worker takes it. Rejects where whoever took it broke off. */
async function handOn<K extends JobKind>(
  boss: PgBoss,
  order: Order<K>,
  isClosed: () => boolean,
): Promise<{ answer: Jobs[K]['answer'] } | 'untaken'> {
  const queue = queueOf(order.kind);
  const expireInSeconds = mostSecondsOf(order);
  const id = await boss.send(queue, packedUp(order), { expireInSeconds });
  if (id === null) return 'untaken';
  const sentMs = Date.now();
  try {
    while (!isClosed()) {
      const job = await boss.getJobById<Parcel>(queue, id);
      if (job?.state === 'completed') return { answer: unpacked<Jobs[K]['answer']>(job.output as Parcel) };
      const waitedMs = Date.now() - sentMs;
      if (job?.state === 'created' && waitedMs > untakenMs) return 'untaken';
      if (!job || job.state === 'failed' || job.state === 'cancelled') break;
      if (waitedMs > 1000 * expireInSeconds) break;
      await pause(lookMs);
    }
    throw new Error(`a worker broke off at ${order.kind}`);
  } finally {
    // It holds what a customer's site looks like: nothing of it stays behind.
    await boss.deleteJob(queue, id).catch(() => undefined);
  }
}

/** Work handed on to the workers of a database; what none of them takes at once is done here. */
export function queuedWork(boss: PgBoss, here: Work): Work {
  let isClosed = false;
  const isOver = () => isClosed;
  return {
    plan: async (site, secondsMost) => {
      const order = { kind: 'plan', file: toSiteFile(site), asked: { secondsMost } } as const;
      const done = await handOn(boss, order, isOver);
      return done === 'untaken' ? here.plan(site, secondsMost) : done.answer;
    },
    evaluate: async (kind, site, asked) => {
      const done = await handOn(boss, { kind, file: toSiteFile(site), asked }, isOver);
      return done === 'untaken' ? here.evaluate(kind, site, asked) : done.answer;
    },
    close: async () => {
      isClosed = true;
      await here.close();
      await boss.stop({ graceful: false });
    },
  };
}
