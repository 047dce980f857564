import { z } from 'zod';
import { nameSchema, siteIdSchema } from '#core/model/site';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** Somebody who has a site open, and the run that he has in hand. */
const presentSchema = z.object({ windowId: z.string(), name: z.string(), runId: z.string().nullable() });
export type Present = z.infer<typeof presentSchema>;

/** What a window hears of a site while it is open. */
export const newsSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('edited'), version: z.int() }),
  z.object({ kind: z.literal('present'), people: z.array(presentSchema) }),
]);
export type News = z.infer<typeof newsSchema>;

/** Where a window listens: server-sent events, each a `News` as JSON. */
export const newsFile = { path: '/sites/:id/news', needs: 'read' } as const;

export const live = {
  /** Says which run a window has in hand; again from time to time, or it counts as closed. */
  here: endpoint({
    needs: 'read',
    method: 'POST',
    path: '/sites/:id/here',
    query: nothing,
    body: z.strictObject({
      windowId: z.uuid(),
      name: nameSchema,
      runId: siteIdSchema.nullable(),
      isLeaving: z.boolean(),
    }),
    answer: nothing,
    status: 204,
    hint: 'A window, a name and a run are needed.',
  }),
} as const;
