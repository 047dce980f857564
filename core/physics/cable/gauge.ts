import { z } from 'zod';

export const materialIds = ['copper', 'cca', 'ccs40', 'ccs21'] as const;
export const materialSchema = z.enum(materialIds);
export type Material = z.infer<typeof materialSchema>;

/** A conductor by American wire gauge or by cross-section, never both. */
export const gaugeSchema = z.union([
  z.strictObject({ awg: z.int().min(-3).max(46), material: materialSchema }),
  z.strictObject({ areaMm2: z.number().positive().max(1000), material: materialSchema }),
]);
export type Conductor = z.infer<typeof gaugeSchema>;
