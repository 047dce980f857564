import { z } from 'zod';
import { gaugeSchema, materialSchema } from './gauge';

const lossFigures = {
  a: z.number().positive(),
  b: z.number().nonnegative(),
  c: z.number().nonnegative().optional(),
};
const lineFigures = { velocityFactor: z.number().gt(0).lt(1), impedanceOhms: z.number().positive() };

const coaxSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  /** What stands on its jacket, where its id does not tell. */
  printed: z.string().optional(),
  ...lossFigures,
  ...lineFigures,
  centre: gaugeSchema,
  shieldOhmPerKm: z.number().positive(),
});
const pairSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  ...lossFigures,
  ...lineFigures,
  conductor: gaugeSchema,
  pairs: z.int().positive(),
  /** Foil or braid around the pairs: it carries heat away, so warm cable may be longer. */
  screened: z.boolean().optional(),
});
const powerSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  cores: z.int().min(2),
  conductor: gaugeSchema,
});

export type CoaxCable = z.infer<typeof coaxSchema> & { kind: 'coax' };
export type PairCable = z.infer<typeof pairSchema> & { kind: 'pair' };
export type PowerCable = z.infer<typeof powerSchema>;
export type SignalCable = CoaxCable | PairCable;

/** Resistivity in ohm metre at 20 °C and its rise per degree. */
const materialFiguresSchema = z.record(
  materialSchema,
  z.strictObject({
    resistivity20C: z.number().positive(),
    perC: z.number().positive(),
    note: z.string().optional(),
  }),
);

/** What the shipped tables have to be. A test holds them to it, so that nobody has to look through them at every start. */
export const tablesSchema = z.object({
  coax: z.array(coaxSchema),
  pair: z.array(pairSchema),
  power: z.array(powerSchema),
  materials: materialFiguresSchema,
});
export type Tables = z.infer<typeof tablesSchema>;
