import { z } from 'zod';
import { applyingSchema, deviceGoals, foundSchema, reportSchema } from '#core/allocate/device';
import { nameSchema, siteIdSchema } from '#core/model/site';
import { deviceAddressSchema } from './deviceAddress';
import { deviceKeySchema } from './deviceKey';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** A recorder's address with the key to it, and who does what is asked. */
const heldSchema = z.strictObject({
  address: deviceAddressSchema,
  key: deviceKeySchema,
  by: nameSchema,
});
const needed = 'An address, the recorder’s key and who does it are needed.';

export const recorders = {
  list: endpoint({
    needs: 'account',
    method: 'GET',
    path: '/recorders',
    query: nothing,
    body: nothing,
    answer: z.object({ standIns: z.record(z.string(), z.string()) }),
    status: 200,
  }),
  read: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/recorders/read',
    query: nothing,
    body: z.strictObject({ site: siteIdSchema, address: deviceAddressSchema }),
    answer: z.object({ report: reportSchema, cameras: z.array(foundSchema) }),
    status: 200,
    hint: 'That is no address of a recorder.',
  }),
  /** What is under way with a recorder, or was last. */
  applying: endpoint({
    needs: 'read',
    method: 'GET',
    path: '/sites/:id/recorders/:recorderId/applying',
    query: nothing,
    body: nothing,
    answer: z.object({ applying: applyingSchema.nullable(), damaged: z.boolean() }),
    status: 200,
  }),
  apply: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/sites/:id/recorders/:recorderId/applying',
    query: nothing,
    body: heldSchema.extend({
      /** How far: all of the plan, or as far as the nights have come. */
      upTo: z.enum(deviceGoals).default('end'),
    }),
    answer: applyingSchema,
    status: 202,
    hint: needed,
  }),
  goOn: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/sites/:id/recorders/:recorderId/applying/on',
    query: nothing,
    body: heldSchema.extend({ goal: applyingSchema.shape.goal }),
    answer: applyingSchema,
    status: 202,
    hint: `${needed.slice(0, -1)}, and whether it goes on or back.`,
  }),
  stop: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/sites/:id/recorders/:recorderId/applying/stop',
    query: nothing,
    body: nothing,
    answer: nothing,
    status: 204,
  }),
  forget: endpoint({
    needs: 'devices',
    method: 'DELETE',
    path: '/sites/:id/recorders/:recorderId/applying',
    query: nothing,
    body: nothing,
    answer: nothing,
    status: 204,
  }),
} as const;

/** Where the settings of a recorder from before a plan are saved from. */
export const settingsFile = {
  path: '/sites/:id/recorders/:recorderId/applying/settings',
  needs: 'devices',
} as const;
