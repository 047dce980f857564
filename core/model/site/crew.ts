import { z } from 'zod';
import { idSchema, nameSchema, noteSchema } from './vocabulary';

/**
 * What a task can ask of whoever does it: ends of cable and converters, recorders and switches, work on a ladder or a lift, work on the
 * mains. Who may do which is a matter of local code and of a person's papers, not of this program.
 */
export const skills = ['cable', 'network', 'height', 'electrician'] as const;
export const skillSchema = z.enum(skills);
export type Skill = z.infer<typeof skillSchema>;

/** Somebody who works in the nights of the change. */
export const crewMemberSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  skills: z.array(skillSchema).max(skills.length),
  note: noteSchema.optional(),
});
export type CrewMember = z.infer<typeof crewMemberSchema>;
