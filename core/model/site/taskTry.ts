import { z } from 'zod';
import { dateSchema } from './cutoverSettings';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** How a try ended: it holds, or everything is back as it was. */
export const taskEndings = ['done', 'put-back'] as const;
export type TaskEnding = (typeof taskEndings)[number];

/** One time that somebody set about a task of the change. Its fields are told apart, so that two people at one task do not undo each other. */
export const taskTrySchema = z.strictObject({
  /** The task with which time it is. */
  id: idSchema,
  taskId: idSchema,
  /** The date that its night began on. */
  night: dateSchema,
  beganAt: instantSchema,
  by: nameSchema,
  /** What was looked at and is so. */
  checked: z.array(idSchema).max(10).optional(),
  /** What goes wrong while it is under way, or went wrong. */
  trouble: noteSchema.optional(),
  ended: z.strictObject({ how: z.enum(taskEndings), at: instantSchema, by: nameSchema }).optional(),
});
export type TaskTry = z.infer<typeof taskTrySchema>;

/** The last time that each task was tried. */
export function lastTries({ taskTry }: { taskTry: Readonly<Record<string, TaskTry>> }): Map<string, TaskTry> {
  const last = new Map<string, TaskTry>();
  for (const one of Object.values(taskTry)) {
    const before = last.get(one.taskId);
    if (!before || before.beganAt <= one.beganAt) last.set(one.taskId, one);
  }
  return last;
}
