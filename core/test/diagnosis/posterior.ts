import { constantPowerVolts } from '#core/physics/power';
import { remembered } from '#core/shared/memo';
import { expectedPowerOhms, lineKind, nightLoad, runEvents, type RunEvent } from '#core/test/findings';
import { canHave, causes, troubles, type Belief, type Trouble } from './causes';
import { logSum } from './density';
import { earthStory } from './earthStory';
import { insulationStory } from './insulationStory';
import { lineStory, type LineStory } from './lineStory';
import type { DiagnosisInput } from './looked';
import { powerStory } from './powerStory';
import { areCoresPrinted, isCoaxPrinted } from './printed';
import { dropRates, lossRate, mostCertain, noteRates, printedShare, rates, unlistedShare } from './practice';
import { seenStory } from './seenStory';
import {
  bitOf,
  isPair,
  placeOf,
  setOf,
  setsOf,
  troublesIn,
  widened,
  type Story,
  type TroubleSet,
} from './troubleSets';
import { wiringStory } from './wiringStory';

/** Troubles that stand together, and how likely just these do. */
export interface WeighedSet {
  set: TroubleSet;
  chance: number;
}

/** Everything that is believed of a run. */
export interface Posterior {
  /** How likely each cause is present; `sound` that none is. */
  belief: Belief;
  /** Every set that was thought of, the likeliest first. */
  sets: WeighedSet[];
  line: LineStory;
}

/** From so much of the least volts on a camera runs or does not. */
const nearShare = 0.03;

/** Chance that the cores as noted take too many volts: by what they should leave at night, and what was read of it. */
function dropRate({ run, camera, source, readings }: DiagnosisInput): number {
  const { minVolts } = camera.supply.window;
  const { voltAmps, heaterOhms } = nightLoad(camera);
  const arriving =
    constantPowerVolts(source.volts, expectedPowerOhms(run), voltAmps, heaterOhms ?? Infinity) ?? 0;
  const read = readings['night-volts']?.value;
  if (arriving >= (1 + nearShare) * minVolts) return rates['power-drop'];
  if (read === undefined) return arriving < (1 - nearShare) * minVolts ? dropRates.expected : dropRates.close;
  if (read >= (1 + nearShare) * minVolts) return rates['power-drop'];
  return read < (1 - nearShare) * minVolts ? dropRates.shown : dropRates.close;
}

/** Chance of each trouble before anything is read, by what is noted. */
export function ratesFor(looked: DiagnosisInput): Map<Trouble, number> {
  const { run, notes, verdicts, shared } = looked;
  const line = lineKind(run);
  const isFedAlong = run.feed.kind !== 'local-adapter';
  const lossShare = verdicts.find(({ id }) => id === 'picture')?.utilisation ?? 0;
  const printed = (trouble: Trouble): number =>
    (trouble === 'coax-construction' && isCoaxPrinted(run)) ||
    (trouble === 'power-construction' && areCoresPrinted(run))
      ? printedShare
      : 1;
  const rateOf = (trouble: Trouble): number => {
    if (trouble === 'format' || trouble === 'line-standard')
      return notes[trouble] === 'differ'
        ? noteRates.differ
        : notes[trouble] === 'agree'
          ? noteRates.agree[trouble]
          : rates[trouble];
    if (trouble === 'power-drop') return dropRate(looked);
    return trouble === 'coax-loss'
      ? lossRate(lossShare)
      : (shared[trouble]?.rate ?? rates[trouble]) * printed(trouble);
  };
  return new Map(
    troubles.flatMap((trouble) =>
      canHave(trouble, line, isFedAlong) ? [[trouble, rateOf(trouble)] as const] : [],
    ),
  );
}

/** Log-chance of sets before anything is read: each trouble comes by itself. */
export function priorLog(of: ReadonlyMap<Trouble, number>): (set: TroubleSet) => number {
  const none = [...of.values()].reduce((sum, rate) => sum + Math.log(1 - rate), 0);
  const odds = troubles.map((trouble) => {
    const rate = of.get(trouble) ?? 0;
    return Math.log(rate / (1 - rate));
  });
  return (set) => {
    let log = none;
    for (let left = set; left !== 0; left &= left - 1) log += odds[placeOf(left)]!;
    return log;
  };
}

/** What a reflectometer showed, where one was used. */
export const eventsOf = ({ run, readings }: DiagnosisInput): readonly RunEvent[] | null =>
  readings.reflectometer ? runEvents(run, readings.reflectometer) : null;

/** What was read of a run, in stories that are independent of each other under any set of troubles. */
export interface Stories {
  line: LineStory;
  all: Story[];
}

/** The stories of a run. They hang on nothing that other runs say of it. */
export function storiesOf(
  looked: DiagnosisInput,
  events: readonly RunEvent[] | null = eventsOf(looked),
): Stories {
  const line = lineStory(looked, events);
  return {
    line,
    all: [
      line,
      powerStory(looked, events),
      earthStory(looked),
      insulationStory(looked),
      wiringStory(looked),
      seenStory(looked),
    ],
  };
}

/** A set of troubles with its log-chance, but for a factor that all have in common. */
interface LoggedSet {
  set: TroubleSet;
  log: number;
}

/** Sets with their log-chances, brought to a sum of one, the likeliest first. */
function weighed(sets: readonly LoggedSet[]): WeighedSet[] {
  const total = logSum(sets.map(({ log }) => log));
  return sets
    .map(({ set, log }) => ({ set, chance: Math.exp(log - total) }))
    .sort((a, b) => b.chance - a.chance);
}

/** How likely each cause is present, by the sets that it is in; none with more than what is ever claimed. */
export function beliefOf(sets: readonly WeighedSet[]): Belief {
  const belief = Object.fromEntries(causes.map((cause) => [cause, 0])) as Belief;
  const chances = troubles.map(() => 0);
  for (const { set, chance } of sets) {
    if (set === 0) belief.sound += chance;
    for (let left = set; left !== 0; left &= left - 1) chances[placeOf(left)]! += chance;
  }
  troubles.forEach((trouble, place) => (belief[trouble] = chances[place]!));
  for (const cause of causes) {
    const over = belief[cause] - mostCertain;
    if (over <= 0 || cause === 'unlisted') continue;
    belief[cause] = mostCertain;
    belief.unlisted += over;
  }
  return belief;
}

const unlisted = bitOf('unlisted');

/** Log-chances of everything that was read. Whatever is not listed explains each story a little of the best of all that were asked for. */
function telling(stories: readonly Story[]): { listed: (set: TroubleSet) => number; unlisted: () => number } {
  const best = stories.map(() => -Infinity);
  return {
    listed: (set) => {
      let sum = 0;
      for (let k = 0; k < stories.length; k += 1) {
        const log = stories[k]!.tells(set);
        sum += log;
        if (log > best[k]!) best[k] = log;
      }
      return sum;
    },
    unlisted: () =>
      stories.reduce((sum, { tells }, k) => {
        const says = best[k] !== 0 || tells(0) !== 0;
        return sum + best[k]! + (says ? Math.log(unlistedShare) : 0);
      }, 0),
  };
}

/** Log-chances of everything that was read, for each set. */
export function storyLogs(stories: readonly Story[], sets: readonly TroubleSet[]): number[] {
  const told = telling(stories);
  const listed = sets.map((set) => (set === unlisted ? 0 : told.listed(set)));
  return listed.map((log, index) => (sets[index] === unlisted ? told.unlisted() : log));
}

/** Sets of up to two of the troubles that a run can have; runs of a kind have the same. */
const upToTwoOf = remembered((known: TroubleSet) =>
  setsOf(troublesIn(known)).filter((set) => set !== unlisted),
);

/** So many of the likeliest pairs are thought of with a third trouble. */
const pairsWidened = 12;

/**
 * Belief in sets of troubles after what was read: prior × Π chance of each story under the set (Bayes' rule). Every one and every two
 * are thought of, and three where two of them are likely. Whoever has its stories already gives them.
 */
export function posteriorOf(looked: DiagnosisInput, stories: Stories = storiesOf(looked)): Posterior {
  const of = ratesFor(looked);
  const { line, all } = stories;
  const prior = priorLog(of);
  const known = setOf(...of.keys());
  const told = telling(all);
  const logged = (set: TroubleSet): LoggedSet => ({ set, log: told.listed(set) + prior(set) });
  const upToTwo = upToTwoOf(known).map(logged);
  const pairs = upToTwo
    .filter(({ set }) => isPair(set))
    .sort((a, b) => b.log - a.log)
    .slice(0, pairsWidened)
    .map(({ set }) => set);
  const three = widened(pairs, known).map(logged);
  const sets = weighed([...upToTwo, { set: unlisted, log: told.unlisted() + prior(unlisted) }, ...three]);
  return { belief: beliefOf(sets), sets, line };
}
