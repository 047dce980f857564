import type Koa from 'koa';
import type { Context } from 'koa';
import type { ServerLog, Where } from '../log/serverLog';

/** An answer that took longer is worth a note. */
const slowMs = 2000;

const whereOf = (context: Context): Where => ({
  method: context.method,
  route: String((context as Context & { _matchedRoute?: string })._matchedRoute ?? 'no route'),
});

/** Whoever asked has gone before all of the answer had come: a closed tab is no fault of anything here. */
const isLeft = (error: unknown, { res }: Context): boolean =>
  (error as { code?: string }).code === 'ERR_STREAM_PREMATURE_CLOSE' && res.destroyed;

/** Notes what breaks while somebody waits for an answer, and answers that were long in coming. */
export function noteFaults(app: Koa, log: ServerLog): void {
  app.on('error', (error: unknown, context?: Context) => {
    if (context && isLeft(error, context)) return;
    log.fault('An answer failed', error, context && whereOf(context));
  });
  app.use(async (context, next) => {
    const start = performance.now();
    await next();
    const ms = Math.round(performance.now() - start);
    if (ms > slowMs || context.status >= 500)
      log.note('A slow or failed answer', { ...whereOf(context), status: context.status, ms });
  });
}
