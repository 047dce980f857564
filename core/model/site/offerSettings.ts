import { z } from 'zod';
import { idSchema, instantSchema, nameSchema } from './vocabulary';

/** There is one record of them. */
export const offerSettingsId = 'offer';

/** What a margin is put on: each class of what is bought, hired or done. */
export const marginClasses = ['cameras', 'gear', 'recorders', 'material', 'hire', 'labour'] as const;
export type MarginClass = (typeof marginClasses)[number];

const percentSchema = z.number().min(0).max(300);
const sumSchema = z.number().min(0).max(10_000_000);
const lineSchema = z.string().trim().min(1).max(200);

/** How a price is made of what a plan costs. */
export const offerSettingsSchema = z.strictObject({
  id: z.literal(offerSettingsId),
  margins: z.strictObject({
    cameras: percentSchema,
    gear: percentSchema,
    recorders: percentSchema,
    material: percentSchema,
    hire: percentSchema,
    labour: percentSchema,
  }),
  /** What work costs more at height, and at places with conditions on them. */
  heightPercent: percentSchema,
  accessPercent: percentSchema,
  /** Hours beside those at the cameras. */
  engineeringHours: z.number().min(0).max(2000),
  commissioningHoursEach: z.number().min(0).max(20),
  documentHours: z.number().min(0).max(500),
  trainingHours: z.number().min(0).max(500),
  /** Of all labour. */
  managementPercent: percentSchema,
  travel: z.strictObject({ visits: z.int().min(0).max(500), each: sumSchema }),
  /** Sums that stand for what nobody can know yet. */
  provisional: z.array(z.strictObject({ what: lineSchema, sum: sumSchema })).max(20),
  exclusions: z.array(lineSchema).max(40),
  customerDoes: z.array(lineSchema).max(40),
  taxPercent: z.number().min(0).max(50),
  validDays: z.int().min(1).max(365),
  payments: z.array(z.strictObject({ when: lineSchema, percent: z.number().min(0).max(100) })).max(10),
  warrantyMonths: z.int().min(0).max(120),
  /** Pinned plans that are offered beside it. */
  alternateIds: z.array(idSchema).max(6),
});
export type OfferSettings = z.infer<typeof offerSettingsSchema>;

/** What an offer is made by until somebody says otherwise. Judgement; every firm has its own. */
export const usualOfferSettings: OfferSettings = {
  id: offerSettingsId,
  margins: { cameras: 20, gear: 20, recorders: 18, material: 25, hire: 10, labour: 15 },
  heightPercent: 10,
  accessPercent: 5,
  engineeringHours: 16,
  commissioningHoursEach: 0.5,
  documentHours: 8,
  trainingHours: 4,
  managementPercent: 8,
  travel: { visits: 12, each: 60 },
  provisional: [],
  exclusions: [
    'Mains circuits and fixed wiring, by a licensed person under a contract of their own',
    'Removal of asbestos, and work that its register asks for first',
    'Repairs to what turns out broken and is not named here',
  ],
  customerDoes: [
    'Gives access at the agreed hours, with somebody who may say so',
    'Names whoever accepts, and whoever holds the passwords',
    'Tells the people who are filmed, as the law asks',
  ],
  taxPercent: 20,
  validDays: 60,
  payments: [
    { when: 'with the order', percent: 30 },
    { when: 'before the first night', percent: 40 },
    { when: 'on acceptance', percent: 30 },
  ],
  warrantyMonths: 24,
  alternateIds: [],
};

export const offerSettingsOf = ({
  offerSettings,
}: {
  offerSettings: Readonly<Record<string, OfferSettings>>;
}): OfferSettings => offerSettings[offerSettingsId] ?? usualOfferSettings;

/** An offer as it was given: what it said stays, whatever the site becomes. */
export const givenOfferSchema = z.strictObject({
  id: idSchema,
  number: z.int().min(1).max(9999),
  /** Who prepared it, as it stands on the paper. */
  preparedBy: nameSchema,
  at: instantSchema,
  by: nameSchema,
  /** Whether it is called final, and what is said of what it still rests on. */
  isFinal: z.boolean(),
  saying: z.string().max(500).optional(),
  lines: z.array(z.strictObject({ id: idSchema, label: z.string().max(200), price: z.number() })).max(500),
  net: z.number(),
  tax: z.number(),
  currency: z.string().length(3),
  validUntil: z.iso.date(),
  restsOn: z.array(z.string().max(300)).max(100),
  alternates: z.array(z.strictObject({ name: nameSchema, difference: z.number() })).max(6),
  /** Who said yes to it, and to which of its alternates; left out while nobody has. */
  accepted: z
    .strictObject({
      name: nameSchema,
      alternate: nameSchema.optional(),
      at: instantSchema,
      by: nameSchema,
    })
    .optional(),
  withdrawn: z
    .strictObject({
      why: z.string().trim().min(1).max(200),
      at: instantSchema,
      by: nameSchema,
    })
    .optional(),
});
export type GivenOffer = z.infer<typeof givenOfferSchema>;
