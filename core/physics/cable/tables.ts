import { z } from 'zod';
import figures from './typicalFigures.json';

export const materialIds = ['copper', 'cca', 'ccs40', 'ccs21'] as const;
export const materialSchema = z.enum(materialIds);
export type Material = z.infer<typeof materialSchema>;

/** A conductor by American wire gauge or by cross-section, never both. */
export const gaugeSchema = z.union([
  z.strictObject({ awg: z.int().min(-3).max(46), material: materialSchema }),
  z.strictObject({ areaMm2: z.number().positive().max(1000), material: materialSchema }),
]);
export type Conductor = z.infer<typeof gaugeSchema>;

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

/** Typical published figures of generic constructions; a data sheet or a reading overrides them. */
export const materials = materialFiguresSchema.parse(figures.materials);
export const coaxCables: CoaxCable[] = z
  .array(coaxSchema)
  .parse(figures.coax)
  .map((cable) => ({ kind: 'coax', ...cable }));
export const pairCables: PairCable[] = z
  .array(pairSchema)
  .parse(figures.pair)
  .map((cable) => ({ kind: 'pair', ...cable }));
export const powerCables: PowerCable[] = z.array(powerSchema).parse(figures.power);

const signalById = new Map<string, SignalCable>(
  [...coaxCables, ...pairCables].map((cable) => [cable.id, cable]),
);
const powerById = new Map(powerCables.map((cable) => [cable.id, cable]));

export const coaxCableIds = coaxCables.map((cable) => cable.id);
export const signalCableIds = [...signalById.keys()];
export const powerCableIds = [...powerById.keys()];

/** The construction with this id. Throws on an id that no schema would have let through. */
export function signalCable(id: string): SignalCable {
  const cable = signalById.get(id);
  if (!cable) throw new Error(`unknown cable ${id}`);
  return cable;
}

/** The power cores with this id. Throws on an id that no schema would have let through. */
export function powerCable(id: string): PowerCable {
  const cable = powerById.get(id);
  if (!cable) throw new Error(`unknown power cable ${id}`);
  return cable;
}
