import type { Cause } from '#core/test/diagnosis';
import type { Trouble } from '#core/model/site';
import { lostBy, type DecisionId } from './decisions';
import type { Drill } from './drill';
import type { DrillPlay } from './play';

/** What a learner says in the end. */
export interface Answer {
  /** Chances of causes; they come to one. */
  chances: Partial<Record<Cause, number>>;
  /** Where it is, and how far off that may be; `null` for nowhere along the line. */
  metre: { atM: number; spreadM: number } | null;
  decisions: readonly DecisionId[];
  /** What is written down of it. */
  note: string;
}

/** What each part of an answer brings. */
export const scoreParts = ['cause', 'metre', 'minutes', 'moves', 'money', 'record'] as const;
export type ScorePart = (typeof scoreParts)[number];
export const mostOf: Record<ScorePart, number> = {
  cause: 30,
  metre: 15,
  minutes: 20,
  moves: 10,
  money: 15,
  record: 10,
};
export interface Score {
  total: number;
  parts: Record<ScorePart, number>;
  hints: number;
  lost: number;
}

const clamped = (value: number): number => Math.max(0, Math.min(1, value));

/** Nothing is brought by a chance of one in so many. */
const worthNothing = 20;

/** The cause that is really there; `sound` where nothing is. */
export const trueCauses = (troubles: readonly Trouble[]): Cause[] =>
  troubles.length === 0 ? ['sound'] : [...troubles];

/**
 * Logarithmic score of the chances that were said: a proper one, so that it is best to say what one believes. Of two troubles
 * the geometric mean, each measured against the half that it can have. From 0 at one in twenty to 1 for certain.
 */
export function causeScore(chances: Answer['chances'], troubles: readonly Trouble[]): number {
  const causes = trueCauses(troubles);
  const logs = causes.map((cause) => Math.log(Math.min(1, causes.length * (chances[cause] ?? 0))));
  return clamped(1 + logs.reduce((sum, log) => sum + log, 0) / causes.length / Math.log(worthNothing));
}

/** As sure as anybody can be of a metre: two in a hundred of the line, and never less than two. */
const surest = (lengthM: number): number => Math.max(2, 0.02 * lengthM);
/** So many nats off the surest, a metre brings nothing. */
const natsToNothing = 4;

/** Logarithmic score of a metre and its spread, against the surest that anybody can be. */
export function metreScore(metre: Answer['metre'], atM: number | undefined, lengthM: number): number {
  if (atM === undefined) return metre === null ? 1 : 0;
  if (metre === null) return 0;
  const least = surest(lengthM);
  const spreadM = Math.max(least, metre.spreadM);
  const off = (metre.atM - atM) / spreadM;
  return clamped(1 - (off ** 2 / 2 + Math.log(spreadM / least)) / natsToNothing);
}

/** Each climb and each disconnection beyond those of the best path takes so much of what they bring. */
const needlessShare = 0.25;
/** A hint costs so many points, and the money that brings nothing any more. */
const hintCosts = 3;
const mostLost = 500;
const leastNote = 12;

const count = (play: Pick<DrillPlay, 'steps'>): number =>
  play.steps.filter(({ climbs, disconnects }) => climbs || disconnects).length;

const isMeterProved = ({ steps }: Pick<DrillPlay, 'steps'>): boolean =>
  steps.every(({ move }) => move.kind !== 'test' || move.test !== 'foreign-ac-volts' || move.meterProved);

/** What is right costs nothing that anybody could have saved. */
function partsOf(
  drill: Drill,
  play: DrillPlay,
  answer: Answer,
  best: Pick<DrillPlay, 'minutes' | 'steps'>,
): Record<ScorePart, number> {
  const { troubles, atM } = drill.truth;
  const { lengthM } = drill.line;
  const lost = lostBy(answer.decisions, troubles, lengthM);
  const needless = Math.max(0, count(play) - count(best));
  // Nobody is paid for guessing fast: minutes and moves count as far as they led to the cause.
  const found = causeScore(answer.chances, troubles);
  const hasTested = play.steps.some(({ move }) => move.kind === 'test');
  return {
    cause: found,
    metre: metreScore(answer.metre, atM, lengthM),
    minutes: hasTested ? found * clamped(best.minutes / Math.max(1, play.minutes)) : 0,
    moves: hasTested ? found * clamped(1 - needlessShare * needless) : 0,
    money: clamped(1 - lost / mostLost),
    record: (answer.note.trim().length >= leastNote ? 0.5 : 0) + (hasTested && isMeterProved(play) ? 0.5 : 0),
  };
}

/** What an answer is worth, out of a hundred. What was not safe is worth nothing, whatever was found. */
export function scoreOf(play: DrillPlay, answer: Answer, best: Pick<DrillPlay, 'minutes' | 'steps'>): Score {
  const { drill, hints, ended } = play;
  const lost = lostBy(answer.decisions, drill.truth.troubles, drill.line.lengthM);
  const shares = partsOf(drill, play, answer, best);
  const parts = Object.fromEntries(
    scoreParts.map((part) => [part, ended?.kind === 'unsafe' ? 0 : mostOf[part] * shares[part]]),
  ) as Record<ScorePart, number>;
  const sum = scoreParts.reduce((all, part) => all + parts[part], 0);
  return { total: Math.max(0, Math.round(sum - hintCosts * hints)), parts, hints, lost };
}

/** What is wrong with an answer before it can be taken, in words; nothing where it is whole. */
export function answerProblems({ chances, metre, decisions }: Answer, lengthM: number): string[] {
  const sum = Object.values(chances).reduce((all, chance) => all + chance, 0);
  return [
    ...(Math.abs(sum - 1) > 0.005
      ? [`The chances come to ${Math.round(100 * sum)} %. Bring them to 100 %.`]
      : []),
    ...(metre && (metre.atM < 0 || metre.atM > 1.2 * lengthM)
      ? [`The line is ${Math.round(lengthM)} m long; the metre lies beyond it.`]
      : []),
    ...(metre && metre.spreadM <= 0 ? ['Say how far off the metre may be.'] : []),
    ...(decisions.length === 0 ? ['Say what is to be done.'] : []),
  ];
}
