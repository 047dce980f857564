import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import type { Context } from 'koa';
import { z } from 'zod';
import { check } from '#core/shared/problems';
import { testIds } from '#core/model/site';
import { InstrumentError } from '../instruments/instrumentError';
import type { Patience } from '../instruments/line';
import { identify, readableTests, readTest } from '../instruments/readTest';
import { deviceAddressSchema } from './deviceAddress';
import { sendProblem } from './problemDetails';

/** A trace takes a slow instrument some seconds; nobody waits longer with a clip in the hand. */
const patience: Patience = { connectMs: 3000, answerMs: 8000 };

const identifySchema = z.strictObject({ address: deviceAddressSchema });
const readSchema = z.strictObject({
  address: deviceAddressSchema,
  test: z.enum(testIds),
  runNumber: z.int().min(1).max(9999),
  state: z.enum(['live', 'isolated', 'disconnected']),
  current: z.enum(['dc', 'ac']),
});

const statuses: Record<InstrumentError['kind'], number> = {
  unreachable: 502,
  slow: 504,
  dropped: 502,
  garbage: 502,
  refused: 409,
};

async function answer(context: Context, ask: () => Promise<unknown>): Promise<void> {
  try {
    context.body = await ask();
  } catch (error) {
    if (!(error instanceof InstrumentError)) throw error;
    sendProblem(context, {
      status: statuses[error.kind],
      title: 'No reading',
      detail: error.message,
      kind: error.kind,
    });
  }
}

/** The addresses under which instruments are asked; `standIn` is where the demo's own listens. */
export function instrumentRoutes(standIn: Promise<string | null>, given: Patience = patience): Router {
  const router = new Router({ prefix: '/api/instrument' });
  const json = bodyParser({ enableTypes: ['json'], jsonLimit: '4kb', jsonStrict: true });

  router.get('/', async (context) => {
    context.body = { standIn: await standIn, reads: readableTests };
  });
  router.post('/identify', json, async (context) => {
    const asked = check(identifySchema, context.request.body);
    if (asked.kind === 'refused')
      return sendProblem(context, {
        status: 400,
        title: 'Not understood',
        detail: 'That is no address of an instrument.',
        problems: asked.problems,
      });
    await answer(context, () => identify(asked.value.address, given));
  });
  router.post('/read', json, async (context) => {
    const asked = check(readSchema, context.request.body);
    if (asked.kind === 'refused')
      return sendProblem(context, {
        status: 400,
        title: 'Not understood',
        detail: 'That is nothing an instrument could be asked.',
        problems: asked.problems,
      });
    const { address, ...what } = asked.value;
    await answer(context, () => readTest(address, what, given));
  });
  return router;
}
