import { z } from 'zod';
import { withFields } from './withFields';
import { environmentSchema, idSchema, nameSchema, noteSchema, temperatureSchema } from './vocabulary';

/** What is to be minded at a place. `wet` lowers the touch limits; in an `explosive-atmosphere` only specialists plan and work. */
export const restrictions = [
  'heritage',
  'asbestos-register',
  'no-trenching',
  'wet',
  'explosive-atmosphere',
] as const;

/** Cable that the fire rules ask for, by where it lies. What each is called is a matter of local code. */
export const fireClasses = ['general', 'riser', 'plenum', 'escape-route'] as const;
export type FireClass = (typeof fireClasses)[number];

/** Somewhere on the site: where a camera hangs, cables meet or recorders stand. */
export const placeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  role: z.enum(['area', 'head-end', 'closet', 'junction-box']),
  environment: environmentSchema,
  temperatureC: temperatureSchema,
  mains: z.boolean(),
  networkCloset: z.boolean(),
  restrictions: z.array(z.enum(restrictions)).max(restrictions.length),
  access: z.strictObject({
    by: z.enum(['ground', 'ladder', 'lift', 'rope']),
    heightM: z.number().min(0).max(200),
    /** How high the ladder or platform that is there lets people work; left out, as usual ones do. */
    reachM: z.number().min(0).max(200).optional(),
  }),
  /** What the fire rules ask of cable there; left out where nothing beyond the usual. */
  fireClass: z.enum(fireClasses).optional(),
  /** Nobody has looked at it yet: usual conditions stand in until somebody does. */
  assumed: z.boolean().optional(),
  note: noteSchema.optional(),
});
export type Place = z.infer<typeof placeSchema>;

/** A place with the fire class that cable needs there. */
export const withFireClass = (place: Place, fireClass: FireClass): Place =>
  notePlace(withFields(place, { fireClass: fireClass === 'general' ? undefined : fireClass }), {});

/** A place with some fields noted. Somebody has looked at it then, so nothing of it is assumed any more. */
export function notePlace(place: Place, fields: Partial<Place>): Place {
  const { assumed: _, ...rest } = place;
  return { ...rest, ...fields };
}
