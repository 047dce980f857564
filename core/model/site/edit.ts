import { z } from 'zod';
import type { Checked, Problem } from '#core/shared/problems';
import type { Change } from './change';
import { withChanges } from './changesBetween';
import { lastingProblem, lastingRule } from './lasting';
import { referenceProblems } from './references';
import { factSchemas, kinds, siteIdSchema, type Fact, type Kind, type Site } from './site';
import { idSchema, instantSchema, nameSchema } from './vocabulary';

const changeOf = <K extends Kind>(kind: K) =>
  z.union([
    z.strictObject({ kind: z.literal(kind), id: idSchema, set: factSchemas[kind] }),
    z.strictObject({ kind: z.literal(kind), id: idSchema, remove: z.literal(true) }),
  ]);

const changeSchemas = Object.fromEntries(kinds.map((kind) => [kind, changeOf(kind)])) as unknown as Record<
  Kind,
  z.ZodType<Change>
>;

/** Parsed by its kind first, so that a refusal names the field and not every kind there is. */
export const changeSchema: z.ZodType<Change> = z
  .looseObject({ kind: z.enum(kinds) })
  .transform((change, context): Change => {
    const parsed = changeSchemas[change.kind].safeParse(change);
    if (parsed.success) return parsed.data;
    for (const issue of parsed.error.issues)
      context.issues.push({ ...issue, input: change } as (typeof context.issues)[number]);
    return z.NEVER;
  });

/** After so many wrong changes the others are not looked at. */
const mostWrong = 100;

/** Changes are counted before any is looked at, and looked at until a hundred of them were wrong. */
const changesSchema = z
  .array(z.unknown())
  .max(20_000)
  .transform((given, context): Change[] => {
    const changes: Change[] = [];
    let wrong = 0;
    for (const [index, one] of given.entries()) {
      const parsed = changeSchema.safeParse(one);
      if (parsed.success) {
        changes.push(parsed.data);
        continue;
      }
      for (const issue of parsed.error.issues)
        context.issues.push({
          ...issue,
          path: [index, ...issue.path],
          input: one,
        } as (typeof context.issues)[number]);
      wrong += 1;
      if (wrong >= mostWrong) break;
    }
    return changes;
  });

/** An edit is done for the first time, or takes another back, or does it again. */
export const editOperationSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('do') }),
  z.strictObject({ kind: z.literal('undo'), of: z.uuid() }),
  z.strictObject({ kind: z.literal('redo'), of: z.uuid() }),
]);
export type EditOperation = z.infer<typeof editOperationSchema>;

/** The one way to change a site: all its changes happen, or none. */
export const editSchema = z.strictObject({
  id: z.uuid(),
  site: siteIdSchema,
  baseVersion: z.int().min(0),
  label: z.string().trim().min(1).max(160),
  operation: editOperationSchema,
  by: nameSchema,
  changes: changesSchema.refine((changes) => changes.length > 0, 'at least 1 item'),
});
export type Edit = z.infer<typeof editSchema>;

/** An edit that happened, as the site's log keeps it. */
export const logEntrySchema = editSchema.extend({
  version: z.int().min(1),
  at: instantSchema,
  inverse: changesSchema,
});
export type LogEntry = z.infer<typeof logEntrySchema>;

export interface Applied {
  site: Site;
  inverse: Change[];
}

/** The change that takes `change` back. What is only ever added to is not taken away but does not count any more. */
function inverseOf(change: Change, before: Fact<Kind> | undefined): Change {
  const { kind, id } = change;
  if (before) return { kind, id, set: before } as Change;
  const rule = lastingRule(kind);
  if (rule && 'set' in change) {
    const { at, by } = change.set as Fact<'reading' | 'acceptanceReading' | 'acceptance' | 'givenOffer'>;
    return { kind, id, set: { ...change.set, [rule.field]: { why: 'taken back', at, by } } } as Change;
  }
  return { kind, id, remove: true } as Change;
}

/**
 * Applies changes to a site, all or none.
 * @returns the new site (sharing what did not change) and the changes that take it back, or what is wrong.
 */
export function applyChanges(site: Site, changes: readonly Change[]): Checked<Applied> {
  const known = new Map<string, Fact<Kind> | undefined>();
  const inverse: Change[] = [];
  const problems: Problem[] = [];
  changes.forEach((change, index) => {
    const { kind, id } = change;
    const path = `changes[${index}]`;
    const key = `${kind}/${id}`;
    const before: Fact<Kind> | undefined = known.has(key) ? known.get(key) : site[kind][id];
    const wrong = lastingProblem(change, before, path);
    if (wrong) problems.push(wrong);
    if ('remove' in change && !before)
      problems.push({ path, value: `${kind} ${id}`, allowed: `a ${kind} that is still there` });
    if ('set' in change && change.set.id !== id)
      problems.push({ path: `${path}.set.id`, value: change.set.id, allowed: id });
    inverse.unshift(inverseOf(change, before));
    known.set(key, 'set' in change ? change.set : undefined);
  });
  if (problems.length > 0) return { kind: 'refused', problems };
  const applied = withChanges(site, changes);
  const broken = referenceProblems(applied, changes);
  return broken.length > 0
    ? { kind: 'refused', problems: broken }
    : { kind: 'sound', value: { site: applied, inverse } };
}
