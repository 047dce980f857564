import { bodyParser } from '@koa/bodyparser';
import type Router from '@koa/router';
import type { Context } from 'koa';
import type { z } from 'zod';
import type { AnyEndpoint, BodyOf, ParamsOf, QueryOf } from '#contract';
import { check, isSoundText, nestsDeeper } from '#core/shared/problems';
import { notRight } from './refused';
import { readBytes } from './readBytes';

/** What an endpoint is asked, held against its contract. */
export interface Asked<E extends AnyEndpoint, Body = BodyOf<E>> {
  params: ParamsOf<E>;
  query: QueryOf<E>;
  body: Body;
  context: Context;
}

type Handle<E extends AnyEndpoint, Body = BodyOf<E>> = (
  asked: Asked<E, Body>,
) => z.input<E['answer']> | Promise<z.input<E['answer']>>;

function read<S extends z.ZodType>(schema: S, input: unknown, { hint = '' }: AnyEndpoint): z.infer<S> {
  const checked = check(schema, input);
  if (checked.kind === 'sound') return checked.value as z.infer<S>;
  throw notRight(400, typeof hint === 'string' ? hint : hint(checked.problems), checked.problems);
}

/** Serves an endpoint of the contract. `jsonLimit` is how large a body may be that is read as JSON. */
export function serveEndpoint<E extends AnyEndpoint>(
  router: Router,
  endpoint: E,
  handle: Handle<E>,
  jsonLimit = '8kb',
): void {
  const json = bodyParser({ enableTypes: ['json'], jsonLimit, jsonStrict: true });
  const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'delete';
  router[method](endpoint.path as string, json, async (context: Context) => {
    const raw = context.request.rawBody;
    if (typeof raw === 'string' && nestsDeeper(raw))
      throw notRight(400, 'The body nests deeper than anything that this address takes.', []);
    if (typeof raw === 'string' && !isSoundText(raw))
      throw notRight(400, 'The body has a character in it that is none (NUL, or half of a pair).', []);
    const body = read(endpoint.body, context.request.body, endpoint) as BodyOf<E>;
    await answerTo(endpoint, handle, context, body);
  });
}

/** Holds the rest of what was asked against the contract, and sends what came of it. */
async function answerTo<E extends AnyEndpoint, Body>(
  endpoint: E,
  handle: Handle<E, Body>,
  context: Context,
  body: Body,
): Promise<void> {
  const params = (context as Context & { params: ParamsOf<E> }).params;
  const query = read(endpoint.query, context.query, endpoint) as QueryOf<E>;
  const answer = await handle({ params, query, body, context });
  if (endpoint.status !== 204) context.body = answer;
  context.status = endpoint.status;
}

/** Serves an endpoint whose body is a file: its bytes, unpacked, which are read beside the thread that answers. */
export function serveFile<E extends AnyEndpoint>(
  router: Router,
  endpoint: E,
  mostBytes: (query: QueryOf<E>) => number,
  handle: Handle<E, Buffer>,
): void {
  const method = endpoint.method.toLowerCase() as 'post';
  router[method](endpoint.path as string, async (context: Context) => {
    const limit = mostBytes(read(endpoint.query, context.query, endpoint) as QueryOf<E>);
    await answerTo(endpoint, handle, context, await readBytes(context, limit));
  });
}
