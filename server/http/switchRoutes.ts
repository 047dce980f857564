import Router from '@koa/router';
import { switches } from '#contract';
import { switchClient } from '../switches/switchClient';
import type { DeviceDoor } from './deviceDoor';
import { keepPace, paces } from './pace';
import { serveEndpoint } from './serveEndpoint';
import { talking } from './talking';

const patienceMs = 8000;

/** The addresses under which switches are read and their ports started anew; `standIn` is where the demo's own listens. */
export function switchRoutes(
  standIn: Promise<string | null>,
  door: DeviceDoor,
  answerMs = patienceMs,
): Router {
  const router = new Router({ prefix: '/api' });
  router.post(/^\/api\/switches/, keepPace(paces.devices));
  serveEndpoint(router, switches.list, async () => ({ standIn: await standIn }));
  serveEndpoint(router, switches.read, ({ body: { site, address } }) =>
    talking('switch', async () => switchClient(await door(site, address), '', answerMs).report()),
  );
  serveEndpoint(router, switches.counters, ({ body: { site, address, port } }) =>
    talking('switch', async () => switchClient(await door(site, address), '', answerMs).counters(port)),
  );
  serveEndpoint(router, switches.restartPort, ({ body: { site, address, key, port } }) =>
    talking('switch', async () => {
      await switchClient(await door(site, address), key, answerMs).restartPort(port);
      return null;
    }),
  );
  return router;
}
