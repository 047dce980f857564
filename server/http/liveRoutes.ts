import { PassThrough } from 'node:stream';
import Router from '@koa/router';
import { live as endpoints, newsFile, type News } from '#contract';
import type { LiveSites } from '../live/liveSites';
import type { ServerLog } from '../log/serverLog';
import type { SiteStore } from '../store/siteStore';
import { notFound } from './refused';
import { serveDownload, serveEndpoint } from './serveEndpoint';
import { admit, knowAnew, nameOf } from './visitor';

/** So often a word is said, so that nothing between takes the line for dead; and it is asked whether whoever listens still may. */
const beatMs = 20_000;
/** So much of what was not fetched yet is kept for a window before its line is dropped; it asks for what it missed when it is back. */
const mostWaitingBytes = 256_000;

/** The addresses under which windows at a site hear of each other. */
export function liveRoutes({
  live,
  store,
  log,
}: {
  live: LiveSites;
  store: SiteStore;
  log: ServerLog;
}): Router {
  const router = new Router({ prefix: '/api' });
  serveDownload(router, newsFile, async (context) => {
    const id = context.params['id']!;
    if (!(await store.has(id))) throw notFound(`There is no site ${id} here, unless it is in the bin.`);
    const line = new PassThrough();
    const say = (text: string): void => {
      if (line.writableLength > mostWaitingBytes) line.destroy();
      else line.write(text);
    };
    const stop = live.listen(id, {
      hear: (news: News) => say(`data: ${JSON.stringify(news)}\n\n`),
      end: () => line.end(),
    });
    const beat = setInterval(() => {
      void (async () => {
        try {
          // A role may have been taken away, or the device signed out, since the line was opened.
          await knowAnew(context);
          await admit(context, newsFile.needs, id);
          say(': still here\n\n');
        } catch (error) {
          if (!(error instanceof Error && 'details' in error)) log.fault('A line of news broke', error);
          line.end();
        }
      })();
    }, beatMs);
    line.once('close', () => {
      clearInterval(beat);
      stop();
    });
    context.req.once('close', () => line.destroy());
    context.compress = false;
    context.set('Content-Type', 'text/event-stream');
    // A proxy that gathers what it passes on would keep the news to itself.
    context.set('X-Accel-Buffering', 'no');
    context.body = line;
  });
  serveEndpoint(router, endpoints.here, ({ params: { id }, body, context }) => {
    const { windowId, runId, isLeaving } = body;
    if (isLeaving) live.left(id, windowId);
    else live.here(id, { windowId, name: nameOf(context, body.name), runId });
    return null;
  });
  return router;
}
