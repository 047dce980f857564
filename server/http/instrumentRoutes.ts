import Router from '@koa/router';
import { instruments } from '#contract';
import { InstrumentError } from '../instruments/instrumentError';
import type { Patience } from '../instruments/line';
import { identify, readableTests, readTest } from '../instruments/readTest';
import type { DeviceDoor } from './deviceDoor';
import { keepPace, paces } from './pace';
import { Refused } from './refused';
import { serveEndpoint } from './serveEndpoint';

/** A trace takes a slow instrument some seconds; nobody waits longer with a clip in the hand. */
const patience: Patience = { connectMs: 3000, answerMs: 8000 };

const statuses: Record<InstrumentError['kind'], number> = {
  unreachable: 502,
  slow: 504,
  dropped: 502,
  garbage: 502,
  refused: 409,
};

/** What an instrument answers; ends the request with its fault where it does not. */
async function reading<T>(ask: () => Promise<T>): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (!(error instanceof InstrumentError)) throw error;
    const { kind, message } = error;
    throw new Refused({ status: statuses[kind], title: 'No reading', detail: message, kind });
  }
}

/** The addresses under which instruments are asked; `standIn` is where the demo's own listens. */
export function instrumentRoutes(
  standIn: Promise<string | null>,
  door: DeviceDoor,
  given: Patience = patience,
): Router {
  const router = new Router({ prefix: '/api' });
  router.post(/^\/api\/instrument/, keepPace(paces.devices));
  serveEndpoint(router, instruments.list, async () => ({ standIn: await standIn, reads: readableTests }));
  serveEndpoint(router, instruments.identify, ({ body: { site, address } }) =>
    reading(async () => identify(await door(site, address), given)),
  );
  serveEndpoint(router, instruments.read, ({ body: { site, address, ...asked } }) =>
    reading(async () => readTest(await door(site, address), asked, given)),
  );
  return router;
}
