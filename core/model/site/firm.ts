import { z } from 'zod';
import { pictureFields } from './drawing';
import { nameSchema } from './vocabulary';

/** Who does the work: its name, address and mark stand on every paper. */
export const firmSchema = z.strictObject({
  name: nameSchema,
  address: z.string().max(200),
  logo: z.strictObject(pictureFields).optional(),
});
export type Firm = z.infer<typeof firmSchema>;
