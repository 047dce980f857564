import { z } from 'zod';
import { converterLinkSchema } from '#core/connect/converterReport';
import { portCountersSchema } from '#core/connect/switchReport';
import { siteIdSchema } from '#core/model/site';
import { deviceAddressSchema } from './deviceAddress';
import { endpoint } from './endpoint';
import { nothing } from './nothing';
import { standInListing } from './standInListing';

export const converters = {
  list: standInListing('/converters'),
  /** What the converters tell of their links, and what one of these counted over the last hours. */
  read: endpoint({
    needs: 'devices',
    method: 'POST',
    path: '/converters/read',
    query: nothing,
    body: z.strictObject({
      site: siteIdSchema,
      address: deviceAddressSchema,
      link: z.int().min(1).max(64),
    }),
    answer: z.object({ link: converterLinkSchema, counters: portCountersSchema }),
    status: 200,
    hint: 'An address of converters and the number of a link are needed.',
  }),
} as const;
