import { z } from 'zod';
import { foundSchema } from '#core/allocate/device';

/** The network cameras that hang on the recorder's network, whether or not anybody planned them so. */
export const networkSchema = z.strictObject({
  about: z.string(),
  cameras: z.array(foundSchema.extend({ number: z.int().min(1).max(9999) })).max(256),
});
export type CameraNetwork = z.infer<typeof networkSchema>;
