import { z } from 'zod';

/** There is one record of them. */
export const cutoverSettingsId = 'cutover';

/** A time of day, `21:00`. */
export const clockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 21:00');
export const dateSchema = z.iso.date();
/** Hours of every day; an end before the beginning is of the next morning. */
export const hoursSchema = z.strictObject({ from: clockSchema, to: clockSchema });
export type Hours = z.infer<typeof hoursSchema>;

/** Hours as they are read and typed, `22:00–04:00`. */
export const hoursText = ({ from, to }: Hours): string => `${from}–${to}`;

/** Reads what `hoursText` writes, with any dash or “to” between; `null` where it is not two times. */
export function parseHours(text: string): Hours | null {
  const [from, to, ...more] = text.split(/\s*(?:-|–|to)\s*/i).map((one) => one.trim());
  const read = hoursSchema.safeParse({ from, to });
  return read.success && more.length === 0 ? read.data : null;
}

/** When nights can be worked, and what a night has to be sure of. */
export const cutoverSettingsSchema = z.strictObject({
  id: z.literal(cutoverSettingsId),
  /** The first date that a night may begin on. */
  from: dateSchema,
  /** When a night's work begins and ends; an end before the beginning is of the next morning. */
  shift: z.strictObject({ start: clockSchema, end: clockSchema }),
  /** The days of the week that a night may begin on, 1 for Monday. */
  weekdays: z.array(z.int().min(1).max(7)).min(1).max(7),
  /** Dates on which nothing may be touched. */
  blackouts: z.array(dateSchema).max(366),
  /** Nights at most. */
  mostNights: z.int().min(1).max(60),
  /** The chance, in percent, with which a night has to end within its shift. */
  surePercent: z.int().min(50).max(99),
  /** Minutes from one place of the site to another, with the tools. */
  walkMinutes: z.int().min(0).max(120),
  /** When lifts may be up; left out, the whole shift. */
  liftHours: hoursSchema.optional(),
  /** The dates of the nights that a lift is there in; left out, any. */
  liftDates: z.array(dateSchema).min(1).max(366).optional(),
  /** When it is light enough to aim a camera; lamps are looked at after it. */
  daylight: hoursSchema.optional(),
  /** When what is bought is ordered: its lead times run from then on. Left out, all of it is there in time. */
  orderedOn: dateSchema.optional(),
});
export type CutoverSettings = z.infer<typeof cutoverSettingsSchema>;

export const usualCutoverSettings: Omit<CutoverSettings, 'from'> = {
  id: cutoverSettingsId,
  shift: { start: '21:00', end: '05:00' },
  weekdays: [1, 2, 3, 4, 5],
  blackouts: [],
  mostNights: 15,
  surePercent: 90,
  walkMinutes: 6,
};

/** When nights can be worked at a site, from a date on where nobody has said when. */
export const cutoverSettingsOf = (
  { cutover }: { cutover: Readonly<Record<string, CutoverSettings>> },
  from: string,
): CutoverSettings => cutover[cutoverSettingsId] ?? { ...usualCutoverSettings, from };
