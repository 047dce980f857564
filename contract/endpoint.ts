import type { z } from 'zod';
import type { Problem } from '#core/shared/problems';
import type { Need } from './roles';

type Method = 'GET' | 'POST' | 'DELETE';

/** The names that stand in an address: `id` in `/sites/:id/edits`. */
export type ParamOf<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | ParamOf<Rest>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

/** What one address under `/api` is asked and what it answers. Server and pages both go by it. */
export interface Endpoint<
  Path extends string,
  Query extends z.ZodType,
  Body extends z.ZodType,
  Answer extends z.ZodType,
> {
  method: Method;
  path: Path;
  /** What it asks of whoever comes. */
  needs: Need;
  query: Query;
  body: Body;
  answer: Answer;
  /** What an answer that succeeds is sent with: 204 where there is nothing to say. */
  status: 200 | 201 | 202 | 204;
  /** What a person is told where query or body is not as it should be, where there is something to get wrong. */
  hint?: string | ((problems: readonly Problem[]) => string);
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- any endpoint, whatever it is asked
export type AnyEndpoint = Endpoint<any, z.ZodType, z.ZodType, z.ZodType>;

/** Lets an endpoint be written with its types inferred. */
export const endpoint = <
  const Path extends string,
  Query extends z.ZodType,
  Body extends z.ZodType,
  Answer extends z.ZodType,
>(
  one: Endpoint<Path, Query, Body, Answer>,
): Endpoint<Path, Query, Body, Answer> => one;

export type ParamsOf<E extends AnyEndpoint> = Record<ParamOf<E['path']>, string>;
export type QueryOf<E extends AnyEndpoint> = z.infer<E['query']>;
export type BodyOf<E extends AnyEndpoint> = z.infer<E['body']>;
export type AnswerOf<E extends AnyEndpoint> = z.infer<E['answer']>;

/** An address from which a browser saves or shows a file. */
export interface FileAddress {
  path: string;
  needs: Need;
}

/** The path with its names filled in. */
export const pathOf = (path: string, params: Readonly<Record<string, string>>): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name]!));
