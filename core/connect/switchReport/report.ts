import { z } from 'zod';
import { hardwareAddressSchema } from '#core/model/site';

/** A port as a switch tells of it. */
const portSchema = z.strictObject({
  number: z.int().min(1).max(256),
  isUp: z.boolean(),
  /** What it has agreed on with whatever is behind it; 0 without a link. */
  mbps: z.number().min(0).max(100_000),
  /** What it gives over the cable; nothing where it cannot. */
  poe: z
    .strictObject({ isOn: z.boolean(), poeClass: z.int().min(0).max(8), watts: z.number().min(0).max(100) })
    .nullable(),
  /** Frames that came in damaged since it was started. */
  errors: z.int().min(0),
  /** Hardware addresses that were seen behind it. */
  seen: z.array(hardwareAddressSchema).max(256),
});
export type PortReport = z.infer<typeof portSchema>;

/** A switch as it tells of itself. */
export const switchReportSchema = z.strictObject({
  name: z.string().max(200),
  serial: z.string().max(200),
  /** What its ports can give together; nothing where it does not tell. */
  poeWatts: z.number().min(0).max(10_000).nullable(),
  ports: z.array(portSchema).max(256),
});
export type SwitchReport = z.infer<typeof switchReportSchema>;
