import { z } from 'zod';

/** The key to a device, as it goes into a request. It is kept nowhere. */
export const deviceKeySchema = z
  .string()
  .max(200)
  .regex(/^[\x20-\x7e]*$/, 'letters, digits and signs of a plain keyboard: no other goes into a request');
