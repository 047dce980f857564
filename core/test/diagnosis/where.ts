import { formatQuantity } from '#core/shared/units';
import { eventWords, ghostLengthM, type RunEvent } from '#core/test/findings';
import type { Trouble } from './causes';
import type { DiagnosisInput } from './looked';
import { eventsOf, type Posterior } from './posterior';
import { ninetyPercent } from './density';
import { tracedMetre } from './runLength';
import type { Told } from './traceStory';
import { has } from './troubleSets';

/** Where on the run a trouble shows, and how that is known. */
export interface FaultLocation {
  atM: number;
  /** One standard deviation, and how far to either side nine chances of ten lie. */
  spreadM: number;
  withinM: number;
  message: string;
}

const located = (atM: number, spreadM: number, message: string): FaultLocation => ({
  atM,
  spreadM,
  withinM: ninetyPercent * spreadM,
  message,
});

/** Sets less likely than this say little of where anything is. */
const worthPlacing = 0.01;

/** The event that each trouble most likely made, by all the sets that are likely. */
export function placesOf(looked: DiagnosisInput, { sets, line }: Posterior): Map<Trouble, FaultLocation> {
  const events = eventsOf(looked);
  if (!events) return ghostPlaces(looked);
  const made = new Map<Trouble, Map<RunEvent, number>>();
  const credit = (trouble: Trouble, event: RunEvent, chance: number): void => {
    const of = made.get(trouble) ?? new Map<RunEvent, number>();
    made.set(trouble, of.set(event, (of.get(event) ?? 0) + chance));
  };
  for (const { set, chance } of sets) {
    if (chance < worthPlacing) break;
    for (const trouble of ['open', 'short'] as const)
      if (has(set, trouble) && line.end) credit(trouble, line.end, chance);
    const ways: [Told, number][] = [];
    line.ways(set, (told, log) => ways.push([new Map(told), log]));
    const most = Math.max(...ways.map(([, log]) => log));
    const total = ways.reduce((sum, [, log]) => sum + Math.exp(log - most), 0);
    for (const [told, log] of ways)
      for (const [trouble, event] of told) credit(trouble, event, (chance * Math.exp(log - most)) / total);
  }
  return new Map(
    [...made].map(([trouble, of]) => {
      const [event] = [...of].reduce((best, one) => (one[1] > best[1] ? one : best));
      const { atM, spreadM } = tracedMetre(event, looked.run, events);
      return [trouble, located(atM, spreadM, eventWords(event))];
    }),
  );
}

/** Without a trace a ghost still tells the way of an echo there and back. */
function ghostPlaces({ run, readings }: DiagnosisInput): Map<Trouble, FaultLocation> {
  const ghostUs = readings.picture?.ghostUs;
  if (ghostUs === undefined) return new Map();
  const atM = ghostLengthM(run, ghostUs);
  const place = located(atM, 0.1 * atM, 'the ghost’s way there and back, from either end');
  return new Map([
    ['echo', place],
    ['tap', place],
  ]);
}

/** A place in a few words, for a sentence. */
export const atPlace = (place: FaultLocation | null): string =>
  place ? ` at ${formatQuantity(place.atM, 'm')}` : '';
