import type { Context, Next } from 'koa';
import type { ProblemDetails } from '#contract';
import { isAway, StoreBusy } from '../store/whenFree';
import { TooMuchWork } from '../files/fileWorkers';
import { Refused } from './refused';

export function sendProblem(context: Context, details: ProblemDetails): void {
  context.status = details.status;
  context.body = JSON.stringify({ type: 'about:blank', ...details });
  context.type = 'application/problem+json';
}

const titles: Record<number, string> = {
  400: 'Not understood',
  403: 'Not from here',
  404: 'Not found',
  405: 'Not allowed here',
  413: 'Too large',
  415: 'Not JSON',
  422: 'Does not fit',
  500: 'Something broke',
};

interface HttpFault {
  status?: number;
  expose?: boolean;
  message: string;
  type?: string;
}

const isFull = (error: unknown): boolean => {
  const { code, message } = error as { code?: string; message?: string };
  return code === 'ENOSPC' || code === 'SQLITE_FULL' || /database or disk is full/i.test(message ?? '');
};

/** What zlib and brotli say of a body that is not packed as it says. */
const isPackedWrong = (error: unknown): boolean =>
  /^(Z_|ERR__ERROR|ERR_BROTLI)/.test((error as { code?: string }).code ?? '');

/** Turns whatever is thrown further in into problem details. What broke inside is logged, not shown. */
export async function problemsForErrors(context: Context, next: Next): Promise<void> {
  try {
    await next();
    if (context.status === 404 && context.body === undefined)
      sendProblem(context, {
        status: 404,
        title: titles[404]!,
        detail: `There is nothing at ${context.path}.`,
      });
    if (context.status === 405 && !context.body)
      sendProblem(context, {
        status: 405,
        title: titles[405]!,
        detail: `${context.method} is not something ${context.path} takes.`,
      });
  } catch (error) {
    if (error instanceof Refused) {
      if (error.retryAfterS !== undefined) context.set('Retry-After', String(error.retryAfterS));
      return sendProblem(context, error.details);
    }
    if (error instanceof StoreBusy) {
      context.set('Retry-After', '2');
      return sendProblem(context, { status: 503, title: 'Busy', detail: error.message });
    }
    if (isAway(error)) {
      context.app.emit('error', error, context);
      context.set('Retry-After', '5');
      return sendProblem(context, {
        status: 503,
        title: 'The database does not answer',
        detail:
          'The database does not answer just now. Nothing is known to have changed; try again in a moment.',
      });
    }
    if (error instanceof TooMuchWork)
      return sendProblem(context, { status: 413, title: titles[413]!, detail: error.message });
    if (isFull(error))
      return sendProblem(context, {
        status: 507,
        title: 'No room left',
        detail: 'The disk is full. Nothing was changed; make room and try again.',
      });
    if (isPackedWrong(error))
      return sendProblem(context, {
        status: 400,
        title: titles[400]!,
        detail: 'The body cannot be unpacked. Was it cut short?',
      });
    const fault = error as HttpFault;
    const status = fault.status && fault.status >= 400 && fault.status < 500 ? fault.status : 500;
    if (status === 500) context.app.emit('error', error, context);
    const detail =
      status === 500
        ? 'The server could not finish this. Nothing was changed. The reason is in its output.'
        : detailOf(status, fault);
    sendProblem(context, { status, title: titles[status] ?? 'Refused', detail });
  }
}

function detailOf(status: number, fault: HttpFault): string {
  if (status === 413) return 'The body is larger than this address takes. Nothing was read in.';
  if (status === 400 && fault.type === undefined)
    return `The body is not JSON (${fault.message}). Was it cut short?`;
  return fault.message;
}
