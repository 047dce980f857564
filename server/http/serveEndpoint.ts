import { bodyParser } from '@koa/bodyparser';
import type Router from '@koa/router';
import type { Context } from 'koa';
import type { z } from 'zod';
import type { AnyEndpoint, BodyOf, FileAddress, ParamsOf, QueryOf } from '#contract';
import { check, isSoundText, nestsDeeper, type Problem } from '#core/shared/problems';
import { notRight } from './refused';
import { readBytes } from './readBytes';
import { admit, noStrangers } from './visitor';

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

/** What somebody typed where a secret belongs is never said back. */
const withoutSecret = (problem: Problem): Problem =>
  /password|code|key|secret/i.test(problem.path) ? { ...problem, value: '…' } : problem;

function read<S extends z.ZodType>(schema: S, input: unknown, { hint = '' }: AnyEndpoint): z.infer<S> {
  const checked = check(schema, input);
  if (checked.kind === 'sound') return checked.value as z.infer<S>;
  const problems = checked.problems.map(withoutSecret);
  throw notRight(400, typeof hint === 'string' ? hint : hint(problems), problems);
}

/** The site that a request is about: of its address, or of what it says. */
function siteOf(context: Context, body: unknown): string | null {
  const params = (context as Context & { params: Record<string, string> }).params;
  if (context.path.startsWith('/api/sites/') && params['id'] !== undefined) return params['id'];
  const named = typeof body === 'object' && body !== null && 'site' in body ? body.site : null;
  return typeof named === 'string' ? named : null;
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
  router[method](endpoint.path as string, noStrangers(endpoint.needs), json, async (context: Context) => {
    const raw = context.request.rawBody;
    if (typeof raw === 'string' && nestsDeeper(raw))
      throw notRight(400, 'The body nests deeper than anything that this address takes.', []);
    if (typeof raw === 'string' && !isSoundText(raw))
      throw notRight(400, 'The body has a character in it that is none (NUL, or half of a pair).', []);
    // Before what was asked is looked at: a stranger is told nothing of what would be right.
    await admit(context, endpoint.needs, siteOf(context, context.request.body));
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
    await admit(context, endpoint.needs, siteOf(context, null));
    const limit = mostBytes(read(endpoint.query, context.query, endpoint) as QueryOf<E>);
    await answerTo(endpoint, handle, context, await readBytes(context, limit));
  });
}

/** Serves a file at an address, to whoever may have it. */
export function serveDownload(
  router: Router,
  { path, needs }: FileAddress,
  send: (context: Context & { params: Record<string, string> }) => Promise<void> | void,
): void {
  router.get(path, async (context) => {
    await admit(context, needs, siteOf(context, null));
    await send(context);
  });
}
