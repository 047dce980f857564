import { z } from 'zod';
import { materialSchema, type Conductor, type Material } from './gauge';
import { materials, signalCable } from './tables';
import type { SignalCable } from './tableSchemas';

/** Loss at so many MHz, in dB per 100 m, as a data sheet lists it. */
const lossPointSchema = z.strictObject({
  mhz: z.number().positive().max(3000),
  dbPer100m: z.number().positive().max(200),
});
export type LossPoint = z.infer<typeof lossPointSchema>;

const shared = {
  id: z
    .string()
    .regex(/^[a-z0-9][a-z0-9-]{0,63}$/)
    .refine((id) => !(id in {}), 'an id that is not “constructor”'),
  name: z.string().trim().min(1).max(80),
  material: materialSchema,
  loss: z.array(lossPointSchema).min(1).max(20),
  velocityFactor: z.number().min(0.4).max(0.99),
  impedanceOhms: z.number().min(25).max(200),
  /** As it is printed on the jacket, where the sheet tells. */
  fireRating: z.string().trim().max(30).optional(),
};
const ohmPerKmSchema = z.number().positive().max(2000);

/** A cable by its data sheet. It goes before the table for every figure it gives. */
export const dataSheetSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...shared,
    kind: z.literal('coax'),
    centreOhmPerKm: ohmPerKmSchema,
    shieldOhmPerKm: ohmPerKmSchema,
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('pair'),
    conductorOhmPerKm: ohmPerKmSchema,
    pairs: z.int().min(1).max(100),
    screened: z.boolean().optional(),
  }),
]);
export type DataSheet = z.infer<typeof dataSheetSchema>;

/** The conductor of a material that has so many ohms a kilometre at 20 °C. Source: A = ρ·L/R. */
const conductorOf = (ohmPerKm: number, material: Material): Conductor => ({
  areaMm2: (materials[material].resistivity20C * 1e9) / ohmPerKm,
  material,
});

/**
 * Coefficients of a·√f + b·f that come nearest to a sheet's figures, each by its share of the figure; neither below nothing. Source:
 * least squares of relative errors; one figure alone is all skin effect.
 */
export function lossFit(points: readonly LossPoint[]): { a: number; b: number } {
  let [rr, rf, ff, r, f] = [0, 0, 0, 0, 0];
  for (const { mhz, dbPer100m } of points) {
    const [root, linear] = [Math.sqrt(mhz) / dbPer100m, mhz / dbPer100m];
    rr += root * root;
    rf += root * linear;
    ff += linear * linear;
    r += root;
    f += linear;
  }
  const determinant = rr * ff - rf * rf;
  const [a, b] =
    determinant > 1e-12 * rr * ff
      ? [(r * ff - f * rf) / determinant, (f * rr - r * rf) / determinant]
      : [r / rr, 0];
  if (b < 0) return { a: r / rr, b: 0 };
  return a <= 0 ? { a: 1e-6, b: f / ff } : { a, b };
}

const made = new WeakMap<DataSheet, SignalCable>();

/** The construction that a data sheet tells of. The same sheet gives the same object. */
function cableOfSheet(sheet: DataSheet): SignalCable {
  const known = made.get(sheet);
  if (known) return known;
  const { id, name, material, loss, velocityFactor, impedanceOhms } = sheet;
  const common = { id, label: name, ...lossFit(loss), velocityFactor, impedanceOhms };
  const cable: SignalCable =
    sheet.kind === 'coax'
      ? {
          ...common,
          kind: 'coax',
          centre: conductorOf(sheet.centreOhmPerKm, material),
          shieldOhmPerKm: sheet.shieldOhmPerKm,
        }
      : {
          ...common,
          kind: 'pair',
          conductor: conductorOf(sheet.conductorOhmPerKm, material),
          pairs: sheet.pairs,
          ...(sheet.screened ? { screened: true } : {}),
        };
  made.set(sheet, cable);
  return cable;
}

/** What lies somewhere: a row of the tables, or a cable by its own data sheet, which goes before the row. */
export interface Laid {
  cable: string;
  sheet?: DataSheet | undefined;
}

/** The construction of what lies somewhere. Throws on an id that no schema would have let through. */
export const cableOf = ({ cable, sheet }: Laid): SignalCable =>
  sheet ? cableOfSheet(sheet) : signalCable(cable);
