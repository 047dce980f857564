import { z } from 'zod';
import { idSchema } from './vocabulary';

export const codecs = ['h264', 'h265', 'mjpeg'] as const;
export const activities = ['still', 'usual', 'busy'] as const;

const hoursSchema = z.number().min(0.25).max(24);

/** When a camera's picture is kept: always, while something moves, or so many hours of a day. */
export const keepingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('always') }),
  z.strictObject({ kind: z.literal('motion'), sharePercent: z.number().min(1).max(100) }),
  z.strictObject({ kind: z.literal('hours'), hours: hoursSchema }),
]);
export type Keeping = z.infer<typeof keepingSchema>;

const rateMbps = z.number().positive().max(400);

/** How a stream is set. What is left out is as it is for the whole site, or as the camera’s data sheet has it. */
export const streamSettingsSchema = z.strictObject({
  framesPerSecond: z.number().min(1).max(60).optional(),
  codec: z.enum(codecs).optional(),
  activity: z.enum(activities).optional(),
  keeping: keepingSchema.optional(),
  keepDays: z.int().min(1).max(3650).optional(),
});
export type StreamSettings = z.infer<typeof streamSettingsSchema>;
export type Codec = (typeof codecs)[number];
export type Activity = (typeof activities)[number];

/** What one camera sends to its recorder. Its id is the camera's. */
export const streamSchema = streamSettingsSchema.extend({
  id: idSchema,
  /** The main stream by a data sheet or a reading, which wins over what is worked out. */
  mainMbps: rateMbps.optional(),
  /** A second, small stream for looking from afar. */
  subMbps: rateMbps.optional(),
});
export type Stream = z.infer<typeof streamSchema>;
