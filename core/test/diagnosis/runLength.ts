import { runLengthM, type Run } from '#core/model/site';
import { type RunEvent } from '#core/test/findings';
import { logMix, logNormal } from './density';
import { otherVelocity, pulseSpreadM, velocitySpread, wrongLength } from './practice';

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

/** A metre that a trace tells, and how far it may be off: one standard deviation. */
export interface TracedMetre {
  atM: number;
  spreadM: number;
}

const density = (x: number, spread: number): number => Math.exp(logNormal(x, 1, spread));

/**
 * How likely it is that the velocity factor is what puts the end elsewhere than noted, and not the note. A factor that was fitted, or
 * a trace without an end, tells nothing of it.
 */
function otherVelocityChance(factor: number, { spread }: NotedLength): number {
  const { agreed } = velocitySpread;
  const velocity = otherVelocity.share * density(factor, Math.hypot(otherVelocity.spread, spread));
  const note = wrongLength.share * density(factor, wrongLength.spread);
  const neither = (1 - otherVelocity.share - wrongLength.share) * density(factor, Math.hypot(agreed, spread));
  return velocity / (velocity + note + neither);
}

/**
 * Where an event is that a trace shows at a metre. How far that may be off comes of the pulse and of the velocity factor: where the end
 * falls elsewhere than noted, either the note is wrong and the metre right, or every metre is off by as much as that of the end.
 */
export function tracedMetre(event: RunEvent, run: Run, events: readonly RunEvent[]): TracedMetre {
  const { atM } = event;
  const noted = notedLength(run);
  const end = endOf(events);
  const knows = run.segments.every(({ velocityFactor }) => velocityFactor !== undefined);
  const factor = end === undefined ? 1 : end.atM / noted.lengthM;
  // A length from marks or a drawing to which the end fits speaks for the velocity factor of the table too.
  const fits = end !== undefined && noted.spread < 0.03 && Math.abs(factor - 1) < 2 * noted.spread;
  const own = Math.hypot(
    pulseSpreadM,
    (knows || fits ? velocitySpread.agreed : velocitySpread.unknown) * atM,
  );
  // Where the run is broken the trace ends early, whatever its velocity factor.
  if (knows || end === undefined || event === end) return { atM, spreadM: own };
  const chance = otherVelocityChance(factor, noted);
  const offM = atM * (1 - 1 / factor);
  return {
    atM: atM - chance * offM,
    spreadM: Math.hypot(own, Math.sqrt(chance * (1 - chance)) * offM),
  };
}
