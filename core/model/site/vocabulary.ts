import { z } from 'zod';

/** Words and figures that several kinds of fact share. */
export const idSchema = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id of small letters, digits and hyphens')
  // Facts are looked up by id in plain objects, which answer to a few names of their own.
  .refine((id) => !(id in {}), 'an id that is not “constructor”');
export const nameSchema = z.string().trim().min(1).max(80);
export const noteSchema = z.string().max(2000);
export const instantSchema = z.iso.datetime({ offset: true });
export const temperatureSchema = z.number().min(-40).max(90);
export const wattsSchema = z.number().min(0).max(500);
export const voltsSchema = z.number().positive().max(60);

export const environments = ['indoor', 'outdoor', 'roof-space', 'underground', 'marine'] as const;
export const environmentSchema = z.enum(environments);
export type Environment = z.infer<typeof environmentSchema>;

export const currentSchema = z.enum(['dc', 'ac']);
