import { z } from 'zod';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** Where the demo’s own device of a kind listens, for whoever has no other; `null` where it does not. */
export const standInListing = <const Path extends string>(path: Path) =>
  endpoint({
    needs: 'account',
    method: 'GET',
    path,
    query: nothing,
    body: nothing,
    answer: z.object({ standIn: z.string().nullable() }),
    status: 200,
  });
