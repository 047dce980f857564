import type { Context, Next } from 'koa';
import { ownOrigin } from './ownOrigin';

/** The name in a `Host` header, without its port. */
const nameIn = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();

/** Whether a name is one of those that a server answers under; `*.` at the front of one stands for a single label. */
const isOneOf = (names: readonly string[], name: string): boolean =>
  names.some((one) => one === name || (one.startsWith('*.') && name.replace(/^[^.]+/, '*') === one));

/**
 * Lets through only what a page of this very server sends. Any web page can make a browser call here: a foreign name that resolves to this
 * machine is told by its Host, another site's page by its Origin. What would change something has to say where it comes from, or not to
 * come from a browser at all, whatever cookies are sent along.
 */
export const onlyFromHere =
  (names: readonly string[]) =>
  async (context: Context, next: Next): Promise<void> => {
    const { host } = context;
    if (!host || !isOneOf(names, nameIn(host)))
      context.throw(403, `This server answers only under ${names.slice(0, 3).join(', ')}.`);
    const { origin } = context.headers;
    if (origin !== undefined && origin !== ownOrigin(context))
      context.throw(403, 'This request comes from another site’s page.');
    // A browser says whose page asks, also where it sends no origin: another site's page starts no work here, by a picture or a link either.
    const asker = context.get('Sec-Fetch-Site');
    const isOwn = asker === '' || asker === 'same-origin' || asker === 'none';
    if (!isOwn && context.path.startsWith('/api'))
      context.throw(403, 'This request comes from another site’s page.');
    const changes = context.method !== 'GET' && context.method !== 'HEAD';
    if (changes && origin === undefined && asker === '' && context.headers.cookie !== undefined)
      context.throw(403, 'This request does not say which page it comes from.');
    await next();
  };

/** A body that changes something has to say that it is JSON, or bytes where a picture is taken; no plain HTML form can say either. */
export async function onlyJsonOrBytes(context: Context, next: Next): Promise<void> {
  const wanted = context.path.startsWith('/api/pictures') ? 'application/octet-stream' : 'application/json';
  if (context.method === 'POST' && !context.is(wanted)) context.throw(415, `Send the body as ${wanted}.`);
  await next();
}

/** An address with a character in it that no name has leads nowhere, whatever it would be taken for further in. */
export async function onlyPlainAddresses(context: Context, next: Next): Promise<void> {
  if (/%[01][0-9a-f]|%7f/i.test(context.path)) context.throw(404, 'There is nothing at such an address.');
  await next();
}
