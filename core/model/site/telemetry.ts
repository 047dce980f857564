import { z } from 'zod';

/** Rates of an RS-485 bus that keyboards and cameras are set to. */
export const baudRates = [1200, 2400, 4800, 9600, 19_200] as const;

/** How a turning camera is steered today. */
export const telemetrySchema = z.discriminatedUnion('kind', [
  /** Over the picture's own coax. */
  z.strictObject({ kind: z.literal('coax'), protocol: z.string().trim().max(40).optional() }),
  /** Over a pair of its own, from keyboard or recorder. */
  z.strictObject({
    kind: z.literal('rs485'),
    protocol: z.string().trim().max(40).optional(),
    address: z.int().min(0).max(255).optional(),
    baud: z.literal(baudRates).optional(),
    /** Whether this camera ends the bus with a resistor. */
    terminated: z.boolean().optional(),
    /** Which conductor is A and which B, as it was noted: `white A, green B`. */
    conductors: z.string().trim().max(80).optional(),
  }),
]);
export type Telemetry = z.infer<typeof telemetrySchema>;
