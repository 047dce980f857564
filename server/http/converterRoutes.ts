import Router from '@koa/router';
import { converters } from '#contract';
import { converterClient } from '../converters/converterClient';
import type { DeviceDoor } from './deviceDoor';
import { keepPace, paces } from './pace';
import { serveEndpoint } from './serveEndpoint';
import { talking } from './talking';

const patienceMs = 8000;

/** The addresses under which converters are read; `standIn` is where the demo's own listen. */
export function converterRoutes(
  standIn: Promise<string | null>,
  door: DeviceDoor,
  answerMs = patienceMs,
): Router {
  const router = new Router({ prefix: '/api' });
  router.post(/^\/api\/converters/, keepPace(paces.devices));
  serveEndpoint(router, converters.list, async () => ({ standIn: await standIn }));
  serveEndpoint(router, converters.read, ({ body: { site, address, link } }) =>
    talking('converter', async () => {
      const line = converterClient(await door(site, address), answerMs);
      return { link: await line.link(link), counters: await line.counters(link) };
    }),
  );
  return router;
}
