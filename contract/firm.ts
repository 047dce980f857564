import { z } from 'zod';
import { firmSchema } from '#core/model/site';
import { endpoint } from './endpoint';
import { nothing } from './nothing';

/** The firm whose server this is: new sites begin with its name, address and mark on their papers. */
export const firm = {
  read: endpoint({
    needs: 'account',
    method: 'GET',
    path: '/firm',
    query: nothing,
    body: nothing,
    answer: z.object({ firm: firmSchema.nullable() }),
    status: 200,
  }),
  set: endpoint({
    needs: 'staff',
    method: 'POST',
    path: '/firm',
    query: nothing,
    body: z.strictObject({ firm: firmSchema }),
    answer: nothing,
    status: 204,
    hint: 'Enter the name of the firm.',
  }),
} as const;
