import { z } from 'zod';
import { portCountersSchema, switchReportSchema } from '#core/connect/switchReport';
import { siteIdSchema } from '#core/model/site';
import { deviceAddressSchema } from './deviceAddress';
import { endpoint } from './endpoint';
import { nothing } from './nothing';
import { deviceKeySchema } from './deviceKey';
import { standInListing } from './standInListing';

const whereSchema = z.strictObject({ site: siteIdSchema, address: deviceAddressSchema });

export const switches = {
  list: standInListing('/switches'),
  read: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/switches/read',
    query: nothing,
    body: whereSchema,
    answer: switchReportSchema,
    status: 200,
    hint: 'That is no address of a switch.',
  }),
  /** What a port counted over the last hours, for a soak. */
  counters: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/switches/counters',
    query: nothing,
    body: whereSchema.extend({ port: z.int().min(1).max(256) }),
    answer: portCountersSchema,
    status: 200,
    hint: 'An address of a switch and a port are needed.',
  }),
  restartPort: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/switches/restart-port',
    query: nothing,
    body: whereSchema.extend({ key: deviceKeySchema, port: z.int().min(1).max(256) }),
    answer: nothing,
    status: 204,
    hint: 'An address, the switch’s key and a port are needed.',
  }),
} as const;
