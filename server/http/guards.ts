import type { Context, Next } from 'koa';

const loopbackHost = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i;

/**
 * Lets through only what a page of this very server sends. The server listens on loopback, but any web page can make a
 * browser call there: a foreign name that resolves to loopback is told by its Host, another site's page by its Origin.
 */
export async function onlyFromHere(context: Context, next: Next): Promise<void> {
  const { host, origin } = context.headers;
  if (!host || !loopbackHost.test(host))
    context.throw(403, 'This server answers only under localhost or 127.0.0.1.');
  if (origin !== undefined && origin !== `http://${host}`)
    context.throw(403, 'This request comes from another site’s page.');
  // A browser says whose page asks, also where it sends no origin: another site's page starts no work here, by a picture or a link either.
  const asker = context.get('Sec-Fetch-Site');
  const isOwn = asker === '' || asker === 'same-origin' || asker === 'none';
  if (!isOwn && context.path.startsWith('/api'))
    context.throw(403, 'This request comes from another site’s page.');
  await next();
}

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
