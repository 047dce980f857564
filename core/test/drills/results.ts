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

const keyOf = ({ drill, by, at }: DrillResult): string => JSON.stringify([drill, by, at]);

/** Results from several places, each once, in the order they were played. */
export function joinedResults(...lists: readonly (readonly DrillResult[])[]): DrillResult[] {
  const byKey = new Map(lists.flat().map((result) => [keyOf(result), result]));
  return [...byKey.values()].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** Those that are not among what is kept elsewhere. */
export function resultsMissing(kept: readonly DrillResult[], own: readonly DrillResult[]): DrillResult[] {
  const there = new Set(kept.map(keyOf));
  return own.filter((one) => !there.has(keyOf(one)));
}

/** How far somebody is. */
export interface Progress {
  by: string;
  /** Different drills that were ended. */
  drills: number;
  level: DrillLevel;
  /** Points of each drill the first time, on average. */
  points: number;
}

/** How far everybody is, by name. */
export function progressOf(results: readonly DrillResult[]): Progress[] {
  const people = [...new Set(results.map(({ by }) => by))].sort((a, b) => a.localeCompare(b, 'en'));
  return people.map((by) => {
    const own = results.filter((one) => one.by === by);
    const first = firstTries(own);
    const points = first.reduce((sum, { total }) => sum + total, 0) / first.length;
    return { by, drills: first.length, level: levelReached(own), points };
  });
}

/** Everybody else’s first time at a drill, the best of them first. */
export const othersAt = (results: readonly DrillResult[], drill: string, by: string): DrillResult[] => {
  const there = results.filter((one) => one.drill === drill && one.by !== by);
  return there
    .filter((one, index) => there.findIndex((other) => other.by === one.by) === index)
    .sort((a, b) => b.total - a.total);
};

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
