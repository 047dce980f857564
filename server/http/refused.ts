import type { ProblemDetails } from '#contract';
import type { Problem } from '#core/shared/problems';

/** Ends a request with an answer other than success. */
export class Refused extends Error {
  constructor(
    readonly details: ProblemDetails,
    /** Seconds after which asking again may help. */
    readonly retryAfterS?: number,
  ) {
    super(details.detail);
  }
}

/** So many problems are listed; the others are counted. */
const mostListed = 50;

/** What came in is not right, field by field; nothing was changed. */
export const notRight = (status: 400 | 422, detail: string, problems: readonly Problem[]): Refused =>
  new Refused({
    status,
    title: status === 400 ? 'Not understood' : 'Does not fit',
    detail: `${detail} Nothing was changed.`,
    problems: problems.slice(0, mostListed),
    problemCount: problems.length,
  });

export const notFound = (detail: string): Refused => new Refused({ status: 404, title: 'Not found', detail });
