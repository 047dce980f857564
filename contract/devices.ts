import { z } from 'zod';
import { nameSchema } from '#core/model/site';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** A host by its name or its address, without a port. */
const hostSchema = z
  .string()
  .max(253)
  .regex(/^([a-z0-9.-]+|[0-9a-f:]+)$/i, { error: 'a host, such as cctv.example.net or 203.0.113.7' });

/** A host outside of private networks that somebody allowed for a site. */
const allowedHostSchema = z.object({ host: z.string(), by: z.string(), at: z.string() });
export type AllowedHost = z.infer<typeof allowedHostSchema>;

export const devices = {
  allowed: endpoint({
    needs: 'read',
    method: 'GET',
    path: '/sites/:id/hosts',
    query: nothing,
    body: nothing,
    answer: z.object({ hosts: z.array(allowedHostSchema) }),
    status: 200,
  }),
  allow: endpoint({
    needs: 'manage',
    method: 'POST',
    path: '/sites/:id/hosts',
    query: nothing,
    body: z.strictObject({ host: hostSchema, by: nameSchema }),
    answer: nothing,
    status: 204,
    hint: 'A host and who allows it are needed.',
  }),
  withdraw: endpoint({
    needs: 'manage',
    method: 'DELETE',
    path: '/sites/:id/hosts/:host',
    query: nothing,
    body: nothing,
    answer: nothing,
    status: 204,
  }),
} as const;
