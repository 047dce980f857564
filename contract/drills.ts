import { z } from 'zod';
import { drillResultSchema } from '#core/test/drills';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** So many results are sent at once: what was played without a network on one device. */
export const mostResultsAtOnce = 200;

/** What became of drills, kept for everybody of the firm. */
export const drills = {
  /** One's own, and everybody's of drills that one has ended too; all of them for whoever administers. */
  results: endpoint({
    needs: 'account',
    method: 'GET',
    path: '/drill-results',
    query: nothing,
    body: nothing,
    answer: z.object({ results: z.array(drillResultSchema) }),
    status: 200,
  }),
  /** A result that is there already stays as it is. */
  ended: endpoint({
    needs: 'account',
    method: 'POST',
    path: '/drill-results',
    query: nothing,
    body: z.strictObject({ results: z.array(drillResultSchema).min(1).max(mostResultsAtOnce) }),
    answer: nothing,
    status: 204,
  }),
} as const;
