import { runLengthM, type Run } from '#core/model/site';
import { type RunEvent } from '#core/test/findings';
import { logMix, logNormal } from './density';
import { pulseSpreadM, velocitySpread, wrongLength } from './practice';

/** How long a run is as a share of what is noted, from the note alone. One standard deviation. */
export interface NotedLength {
  lengthM: number;
  spread: number;
}

/** Lengths that are estimated are wrong together, so their spreads add up; nobody notes one better than to three in a thousand. */
export function notedLength(run: Run): NotedLength {
  const lengthM = runLengthM(run);
  const spreadM = run.segments.reduce((sum, segment) => sum + segment.spreadM, 0);
  return { lengthM, spread: Math.max(0.003, spreadM / lengthM) };
}

/** Log-density of a run being so many times as long as noted. */
export const logOfFactor = (factor: number, { spread }: NotedLength): number =>
  logMix(logNormal(factor, 1, spread), logNormal(factor, 1, wrongLength.spread), wrongLength.share);

/** Where a trace ends, if it does. */
export const endOf = (events: readonly RunEvent[]): RunEvent | undefined =>
  events.findLast(({ kind }) => kind === 'open' || kind === 'short' || kind === 'end');

/** A length that is thought of, as a share of what is noted, and how likely it is. */
export interface LengthCase {
  factor: number;
  share: number;
}

/** Three lengths that stand for what is noted. */
export const notedCases = ({ spread }: NotedLength): LengthCase[] => [
  { factor: 1 - 1.22 * spread, share: 0.3 },
  { factor: 1, share: 0.4 },
  { factor: 1 + 1.22 * spread, share: 0.3 },
];

/** How far a metre that a trace tells may be off: the pulse, and the velocity factor. One standard deviation. */
export function metreSpreadOf(atM: number, run: Run, events: readonly RunEvent[]): number {
  const noted = notedLength(run);
  const end = endOf(events);
  const knows = run.segments.every(({ velocityFactor }) => velocityFactor !== undefined);
  // A length from marks or a drawing to which the end fits speaks for the velocity factor of the table too.
  const fits =
    end !== undefined && noted.spread < 0.03 && Math.abs(end.atM / noted.lengthM - 1) < 2 * noted.spread;
  return Math.hypot(pulseSpreadM, (knows || fits ? velocitySpread.agreed : velocitySpread.unknown) * atM);
}
