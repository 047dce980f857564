import { beliefIn, diagnose, type Cause, type Diagnosis, type DiagnosisInput } from '#core/test/diagnosis';
import { feedSource, needsVoltsFirst, notedAlike, runFindings, stateFor } from '#core/test/findings';
import { testDefinition, type TestId, type Trouble } from '#core/model/site';
import { decisions, comesTo, type DecisionId } from './decisions';
import type { Drill } from './drill';
import { drillRunId } from './ground';
import { newPlay, played, testsAtHand, type DrillPlay } from './play';
import type { Answer } from './score';

/** Everything that a play has brought to light, as the diagnosis takes it. */
export function lookedAt({ site, readings }: Pick<DrillPlay, 'site' | 'readings'>): DiagnosisInput {
  const run = site.run[drillRunId]!;
  const camera = site.camera[run.cameraId]!;
  return {
    run,
    camera,
    readings,
    verdicts: runFindings(site, run, camera, readings).verdicts,
    source: feedSource(site, run),
    notes: notedAlike(site, run, camera),
    shared: {},
  };
}

/** What the program would say at this point. */
export const diagnosisOf = (play: Pick<DrillPlay, 'site' | 'readings'>): Diagnosis => {
  const { place, camera, run } = play.site;
  return diagnose(lookedAt(play), place[camera[run[drillRunId]!.cameraId]!.placeId]!);
};

/** A test that brings the run into its state first, and proves it dead where it has to be. */
export function doneSafely(play: DrillPlay, test: TestId): DrillPlay {
  const definition = testDefinition(test);
  const brought = played(play, { kind: 'state', to: stateFor(definition, play.site.run[drillRunId]!.state) });
  const run = brought.site.run[drillRunId]!;
  const proven = needsVoltsFirst(definition, run, brought.readings)
    ? played(brought, { kind: 'test', test: 'foreign-ac-volts', meterProved: true })
    : brought;
  return played(proven, { kind: 'test', test, meterProved: true });
}

/** Sure enough to stop looking, once no test tells more than this. */
const sureEnough = 0.9;
const fewBits = 0.08;
const mostTests = 14;

/** The way that the program itself would go: at each point the test that tells most for its minutes, until it is sure. */
export function bestPath(drill: Drill): DrillPlay {
  let play = newPlay(drill);
  const atHand = new Set(testsAtHand(play));
  for (let k = 0; k < mostTests; k += 1) {
    const { next, sets } = diagnosisOf(play);
    const left = next.filter(({ test }) => atHand.has(test.id));
    const [best] = left;
    const isSure = k > 0 && (sets[0]?.probability ?? 0) >= sureEnough;
    if (!best || (isSure && left.every(({ bits }) => bits < fewBits))) return play;
    const then = doneSafely(play, best.test.id);
    // What does not fit into the shift is not begun.
    if (then.ended) return play;
    play = then;
  }
  return play;
}

/** The tests of the toolbox in their usual order, all of them: what somebody does who follows a list. */
export function fixedOrder(drill: Drill): DrillPlay {
  return testsAtHand(newPlay(drill)).reduce((play, test) => {
    const then = doneSafely(play, test);
    return then.ended ? play : then;
  }, newPlay(drill));
}

/** The decision, or the two together, that come to least by what is believed. */
function cheapest(
  sets: readonly { troubles: readonly Trouble[]; chance: number }[],
  lengthM: number,
): DecisionId[] {
  const ids = decisions.map(({ id }) => id);
  const each = ids.map((id) => [id]);
  const pairs = ids.flatMap((a, k) => ids.slice(k + 1).map((b) => [a, b]));
  const expected = (taken: readonly DecisionId[]): number =>
    sets.reduce((sum, { troubles, chance }) => sum + chance * comesTo(taken, troubles, lengthM), 0);
  return [...each, ...pairs].reduce((a, b) => (expected(b) < expected(a) ? b : a));
}

/** What the program would answer after a play. */
export function answerAfter(play: DrillPlay): Answer {
  const looked = lookedAt(play);
  const { belief } = beliefIn(looked);
  const { ranked, sets } = diagnosisOf(play);
  const all = Object.values(belief).reduce((sum, chance) => sum + chance, 0);
  const chances = Object.fromEntries(
    Object.entries(belief).map(([cause, chance]) => [cause, chance / all]),
  ) as Record<Cause, number>;
  const where = ranked.find(
    ({ cause, where: at }) => cause !== 'sound' && at !== null && belief[cause] > 0.5,
  )?.where;
  return {
    chances,
    metre: where ? { atM: where.atM, spreadM: where.spreadM } : null,
    decisions: cheapest(
      sets.map(({ troubles, probability }) => ({ troubles, chance: probability })),
      play.drill.line.lengthM,
    ),
    note: ranked[0] ? `${ranked[0].label}: ${ranked[0].means}` : '',
  };
}
