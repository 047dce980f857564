import { z } from 'zod';
import { instantSchema } from '#core/model/site';

/** What converters found of their own coax when they filled it for ten minutes. */
const lineTestSchema = z.strictObject({
  at: instantSchema,
  /** Carried end to end, the lower of both ways. */
  mbps: z.number().min(0).max(10_000),
  /** Lost of it, per cent. */
  lostPercent: z.number().min(0).max(100),
  /** Most that the far converter could give before its volts fell away; nothing where it has no load of its own. */
  watts: z.number().min(0).max(200).nullable(),
});

/** One coax with a converter at its far end. */
export const converterLinkSchema = z.strictObject({
  number: z.int().min(1).max(64),
  isUp: z.boolean(),
  /** Nothing where it was never tested. */
  lineTest: lineTestSchema.nullable(),
});
export type ConverterLink = z.infer<typeof converterLinkSchema>;

/** A converter, or a unit of several, as it tells of itself and of what is at the other end of its coaxes. */
export const converterReportSchema = z.strictObject({
  name: z.string().max(200),
  links: z
    .array(converterLinkSchema)
    .min(1)
    .max(64)
    .refine((links) => new Set(links.map(({ number }) => number)).size === links.length, 'each link once'),
});
export type ConverterReport = z.infer<typeof converterReportSchema>;
