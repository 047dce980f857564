import type { Context } from 'koa';

/** Of this host alone, on every path, over HTTPS alone: what the prefix stands for in a browser. */
const cookieName = '__Host-neotrope';

/** What the cookie of a request holds; `null` where it has none. */
export const readCookie = (context: Context): string | null => context.cookies.get(cookieName) ?? null;

function write(context: Context, value: string, maxAgeS: number | null): void {
  const age = maxAgeS === null ? '' : `; Max-Age=${maxAgeS}`;
  // Written by hand: this machine's own address counts as safe in a browser, but not to the package, which refuses to send it there.
  context.append('Set-Cookie', `${cookieName}=${value}; Path=/; Secure; HttpOnly; SameSite=Strict${age}`);
}

/** The server ends sessions; a browser may keep the cookie so long. */
const longestS = 30 * 24 * 3600;
export const writeCookie = (context: Context, secret: string): void => write(context, secret, longestS);
export const dropCookie = (context: Context): void => write(context, '', 0);
