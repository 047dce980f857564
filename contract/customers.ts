import { z } from 'zod';
import type { CustomerView } from '#core/documents';
import { acceptedThingSchema, idSchema, nameSchema, signatureSchema } from '#core/model/site';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** What the server made of a site for whoever it is made for. */
const madeView = z.custom<CustomerView>(
  (view) => typeof view === 'object' && view !== null && 'papers' in view && 'things' in view,
  { error: 'what a customer sees of a site' },
);

/** What whoever a site is made for does with it: reads the offer and the sign-off, and signs. */
export const customers = {
  look: endpoint({
    needs: 'papers',
    method: 'GET',
    path: '/sites/:id/customer',
    query: z.object({ length: z.enum(['m', 'ft']).default('m') }),
    body: nothing,
    answer: z.object({ name: z.string(), maySign: z.boolean(), view: madeView }),
    status: 200,
  }),
  accept: endpoint({
    needs: 'sign',
    method: 'POST',
    path: '/sites/:id/customer/accept',
    query: nothing,
    body: z.strictObject({
      /** Each with what it rested on when it was shown. */
      things: z
        .array(z.strictObject({ of: acceptedThingSchema, restsOn: z.string().max(20_000) }))
        .min(1)
        .max(2000),
      signedBy: nameSchema,
      signature: signatureSchema,
    }),
    answer: z.object({ version: z.int() }),
    status: 200,
    hint: 'Nothing is accepted without a name and a signature.',
  }),
  acceptOffer: endpoint({
    needs: 'sign',
    method: 'POST',
    path: '/sites/:id/customer/accept-offer',
    query: nothing,
    body: z.strictObject({ offerId: idSchema, name: nameSchema }),
    answer: z.object({ version: z.int() }),
    status: 200,
    hint: 'Nothing is accepted without a name.',
  }),
} as const;
