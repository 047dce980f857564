import { z } from 'zod';
import { addressSchema } from '#core/model/site';
import type { DevicePlan } from './devicePlan';
import { reportSchema, settingsSchema, type Report } from './report';

const planSchema = z.strictObject({
  ipInputs: z.array(z.number()),
  timeSource: z.string().nullable(),
  channels: z.array(
    z.discriminatedUnion('kind', [
      z.strictObject({ slot: z.number(), kind: z.literal('coax'), name: z.string() }),
      z.strictObject({ slot: z.number(), kind: z.literal('ip'), name: z.string(), address: addressSchema }),
    ]),
  ),
}) satisfies z.ZodType<DevicePlan>;

/** A plan on its way into a recorder, as it is kept so that it survives whatever stops. The recorder's key is never in it. */
export const applyingSchema = z.strictObject({
  siteId: z.string(),
  recorderId: z.string(),
  address: z.string(),
  by: z.string(),
  startedAt: z.string(),
  /** Towards the plan, or back to what was there before. */
  goal: z.enum(['plan', 'back']),
  plan: planSchema,
  before: reportSchema,
  /** All its settings from before anything was changed; `null` until they are saved. */
  settings: settingsSchema.nullable(),
  state: z.enum(['running', 'stopped', 'broken-off', 'refused', 'done']),
  /** What it is doing, or was when it stopped. */
  doing: z.string(),
  done: z.array(z.string()),
  left: z.array(z.string()),
  /** Why it does not go on. */
  why: z.string().nullable(),
  /** What the recorder does not do although it holds the plan. */
  wrong: z.array(z.string()),
});
export type Applying = z.infer<typeof applyingSchema>;

/** What a recorder holds, as a plan to go back to. Inputs that saw nothing are not missed. */
export function planOf({ ipInputs, timeSource, channels }: Report): DevicePlan {
  return {
    ipInputs,
    timeSource,
    channels: channels.flatMap((channel): DevicePlan['channels'] => {
      if (channel.kind === 'ip')
        return [{ slot: channel.slot, kind: 'ip', name: channel.name, address: channel.address }];
      return channel.picture === null ? [] : [{ slot: channel.slot, kind: 'coax', name: channel.name }];
    }),
  };
}
