import type { Context } from 'koa';

/** So much of what went wrong is noted: where, and not what was asked, which is a customer's. */
const mostFrames = 4;

/** Notes what broke inside by its kind and its place in the program. Messages of a database carry whole facts, so they are left out. */
export function noteFault(
  error: Error & { code?: string },
  context?: Pick<Context, 'method' | 'path'>,
): void {
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => line.trimStart().startsWith('at '))
    .slice(0, mostFrames)
    .map((line) => line.trim());
  const at = context ? ` at ${context.method} ${context.path.slice(0, 200)}` : '';
  console.error(`${error.name}${error.code ? ` ${error.code}` : ''}${at}: ${frames.join('; ')}`);
}
