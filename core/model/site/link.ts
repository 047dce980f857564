import { z } from 'zod';
import { categoryGrades, fibreGrades } from '#core/physics/signal';
import { idSchema, nameSchema, noteSchema } from './vocabulary';

/** What a link between two places runs over. */
export const linkMedia = ['category', 'fibre', 'radio', 'coax-converters', 'power-line'] as const;
export type LinkMedium = (typeof linkMedia)[number];

/** What a link carries where nobody has noted or measured it, in Mb/s. */
export const usualLinkMbps: Record<LinkMedium, number> = {
  category: 1000,
  fibre: 1000,
  radio: 100,
  'coax-converters': 80,
  'power-line': 40,
};

const fibresSchema = z
  .strictObject({ total: z.int().min(1).max(288), used: z.int().min(0).max(288) })
  .refine(({ total, used }) => used <= total, 'at most as many fibres in use as there are');

/** The port of a switch, radio or converter that an end of a link is in. */
const linkEndSchema = z.strictObject({
  deviceId: idSchema,
  port: z.int().min(1).max(256).optional(),
});
export type LinkEnd = z.infer<typeof linkEndSchema>;

/** A link between the network gear of two places: there already, or planned. */
export const linkSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  fromPlaceId: idSchema,
  toPlaceId: idSchema,
  /** What each end is plugged into; left out, whatever joins the gear of its place. */
  fromEnd: linkEndSchema.optional(),
  toEnd: linkEndSchema.optional(),
  medium: z.enum(linkMedia),
  lengthM: z.number().positive().max(20_000),
  /** What it carries, as noted or measured. */
  carriesMbps: z.number().positive().max(100_000),
  state: z.enum(['there', 'planned']),
  /** Of a fibre: how many there are, and how many are in use by others. */
  fibres: fibresSchema.optional(),
  /** Of a fibre: its grade, as its jacket says; left out while nobody has read it. */
  fibreGrade: z.enum(fibreGrades).optional(),
  /** Of category cable: its grade, as its jacket says; left out while nobody has read it. */
  categoryGrade: z.enum(categoryGrades).optional(),
  /** The drawn routes that it follows, from its first place to the other. */
  routeIds: z.array(idSchema).min(1).max(12).optional(),
  note: noteSchema.optional(),
});
export type Link = z.infer<typeof linkSchema>;

/** Which piece of network gear a camera is to hang on, where a person has said so. Its id is the camera's. */
export const attachmentSchema = z.strictObject({
  id: idSchema,
  /** A switch or unit, there or planned, as the tree names it. */
  deviceId: idSchema,
});
