import { z } from 'zod';
import { neutralised } from '#core/survey/lists';
import { causes, type Cause } from '#core/test/diagnosis';
import { nameSchema, instantSchema } from '#core/model/site';
import { drillLevels, type DrillLevel } from './drill';
import { mostOf, scoreParts, trueCauses, type Answer, type Score } from './score';
import type { Drill } from './drill';

/** A drill that was played to its end. */
export const drillResultSchema = z.strictObject({
  drill: z.string().min(1).max(80),
  title: nameSchema,
  level: z.union(drillLevels.map((level) => z.literal(level))),
  by: nameSchema,
  at: instantSchema,
  total: z.int().min(0).max(100),
  parts: z.strictObject(
    Object.fromEntries(scoreParts.map((part) => [part, z.number().min(0).max(mostOf[part])])) as Record<
      keyof typeof mostOf,
      z.ZodNumber
    >,
  ),
  minutes: z.number().min(0).max(2000),
  hints: z.int().min(0).max(99),
  unsafe: z.boolean(),
  /** Every chance that was said, and whether it was so. */
  said: z.array(z.strictObject({ chance: z.number().min(0).max(1), was: z.boolean() })).max(causes.length),
});
export type DrillResult = z.infer<typeof drillResultSchema>;

export function resultOf(
  drill: Drill,
  { score, answer, minutes, unsafe }: { score: Score; answer: Answer; minutes: number; unsafe: boolean },
  { by, at }: { by: string; at: string },
): DrillResult {
  const really = new Set<Cause>(trueCauses(drill.truth.troubles));
  return {
    drill: drill.id,
    title: drill.title,
    level: drill.level,
    by,
    at,
    total: score.total,
    parts: score.parts,
    minutes,
    hints: score.hints,
    unsafe,
    said: unsafe
      ? []
      : causes.flatMap((cause) => {
          const chance = answer.chances[cause];
          return chance === undefined && !really.has(cause)
            ? []
            : [{ chance: Math.min(1, chance ?? 0), was: really.has(cause) }];
        }),
  };
}

/** Chances that were said, in tens, with how often it was so. */
export interface Reliability {
  said: number;
  was: number;
  count: number;
}
const bands = 10;

export function reliability(results: readonly Pick<DrillResult, 'drill' | 'said'>[]): Reliability[] {
  const all = firstTries(results).flatMap(({ said }) => said);
  return Array.from({ length: bands }, (_, band): Reliability | null => {
    const some = all.filter(({ chance }) => Math.min(bands - 1, Math.floor(chance * bands)) === band);
    if (some.length === 0) return null;
    return {
      said: some.reduce((sum, { chance }) => sum + chance, 0) / some.length,
      was: some.filter(({ was }) => was).length / some.length,
      count: some.length,
    };
  }).filter((one) => one !== null);
}

/** Three of so many points lift somebody to the next level. */
const goodScore = 80;
const goodNeeded = 3;

/** The first time of each drill: afterwards its truth is known. */
const firstTries = <R extends Pick<DrillResult, 'drill'>>(results: readonly R[]): R[] =>
  results.filter((one, index) => results.findIndex(({ drill }) => drill === one.drill) === index);

/** The level that somebody is at: the next one is open after three good drills of one, each counted the first time. */
export function levelReached(results: readonly Pick<DrillResult, 'drill' | 'level' | 'total'>[]): DrillLevel {
  const first = firstTries(results);
  const isDone = (level: DrillLevel): boolean =>
    first.filter((one) => one.level === level && one.total >= goodScore).length >= goodNeeded;
  return drillLevels.find((level) => !isDone(level)) ?? drillLevels.at(-1)!;
}

/** Results as a table for whoever trains people. */
export function resultsCsv(results: readonly DrillResult[]): string {
  const heads = [
    'person',
    'drill',
    'level',
    'at',
    'points',
    ...scoreParts,
    'minutes [min]',
    'hints',
    'ended unsafe',
  ];
  const quoted = (cell: string | number): string => {
    const text = String(typeof cell === 'string' ? neutralised(cell) : cell);
    return /[",\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text;
  };
  const rows = results.map((one) => [
    one.by,
    one.title,
    one.level,
    one.at,
    one.total,
    ...scoreParts.map((part) => Math.round(10 * one.parts[part]) / 10),
    Math.round(one.minutes),
    one.hints,
    one.unsafe ? 'yes' : 'no',
  ]);
  return [heads, ...rows].map((row) => row.map(quoted).join(',')).join('\n') + '\n';
}
