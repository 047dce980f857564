import type { Context } from 'koa';

/** The origin that pages of this server have, as this request was sent to it. (Koa’s own `origin` is what the visitor says.) */
export const ownOrigin = ({ protocol, host }: Context): string => `${protocol}://${host}`;
