import { z } from 'zod';
import { runStates, siteIdSchema, testIds, type Found } from '#core/model/site';
import { deviceAddressSchema } from './deviceAddress';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** Who an instrument says that it is. */
const identitySchema = z.object({ name: z.string(), serial: z.string() });
export type InstrumentIdentity = z.infer<typeof identitySchema>;

/** What an instrument is asked to read, and how the run was left for it. */
const askedSchema = z.strictObject({
  test: z.enum(testIds),
  runNumber: z.int().min(1).max(9999),
  state: z.enum(runStates),
  current: z.enum(['dc', 'ac']),
});
export type InstrumentAsked = z.infer<typeof askedSchema>;

/** A reading as the driver understood it; it is held against the schema of readings when it is noted. */
const foundSchema = z.custom<Found>(
  (found) => typeof found === 'object' && found !== null && 'test' in found,
  { error: 'what an instrument found' },
);

export const instruments = {
  list: endpoint({
    needs: 'account',
    method: 'GET',
    path: '/instrument',
    query: nothing,
    body: nothing,
    answer: z.object({ standIn: z.string().nullable(), reads: z.array(z.enum(testIds)) }),
    status: 200,
  }),
  identify: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/instrument/identify',
    query: nothing,
    body: z.strictObject({ site: siteIdSchema, address: deviceAddressSchema }),
    answer: identitySchema,
    status: 200,
    hint: 'That is no address of an instrument.',
  }),
  read: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/instrument/read',
    query: nothing,
    body: askedSchema.extend({ site: siteIdSchema, address: deviceAddressSchema }),
    answer: identitySchema.extend({ found: foundSchema }),
    status: 200,
    hint: 'That is nothing an instrument could be asked.',
  }),
} as const;
