import { z } from 'zod';
import {
  runStates,
  testDefinition,
  type Reading,
  type RunState,
  type Site,
  type TestId,
} from '#core/model/site';
import { costOf, stateMinutes } from '#core/test/diagnosis';
import { applies, interlock, prerequisites, touchLimits } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { Drill } from './drill';
import { drillRunId, drillSite } from './ground';
import { drillDay, drillTests, readIn } from './readIn';

const testInDrill = z.custom<TestId>((id) => (drillTests as readonly unknown[]).includes(id));

/** Something that a learner does. */
export const drillMoveSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('state'), to: z.enum(runStates) }),
  z.strictObject({ kind: z.literal('test'), test: testInDrill, meterProved: z.boolean() }),
  z.strictObject({ kind: z.literal('hint') }),
]);
export type DrillMove = z.infer<typeof drillMoveSchema>;

/** A move with what came of it. */
export interface DrillStep {
  move: DrillMove;
  minutes: number;
  /** Minutes gone when it was done. */
  at: number;
  reading: Reading | null;
  climbs: boolean;
  disconnects: boolean;
}

/** A drill as far as it was played. */
export interface DrillPlay {
  drill: Drill;
  site: Site;
  steps: DrillStep[];
  minutes: number;
  readings: RunReadings;
  hints: number;
  /** Why it ended before its answer: what was not safe, by which rule, or that the shift is over. */
  ended: { kind: 'unsafe' | 'time'; why: string } | null;
}

export const newPlay = (drill: Drill): DrillPlay => ({
  drill,
  site: drillSite(drill),
  steps: [],
  minutes: 0,
  readings: {},
  hints: 0,
  ended: null,
});

/** Tests of the toolbox that say anything of this line. */
export const testsAtHand = ({ drill, site }: Pick<DrillPlay, 'drill' | 'site'>): TestId[] =>
  drillTests.filter((id) => drill.toolbox.includes(id) && applies(testDefinition(id), site.run[drillRunId]!));

const placeOf = (site: Site) => site.place[site.camera[site.run[drillRunId]!.cameraId]!.placeId]!;

/** What a test would take now. */
export function minutesOf({ site, readings }: Pick<DrillPlay, 'site' | 'readings'>, test: TestId) {
  const run = site.run[drillRunId]!;
  const cost = costOf(testDefinition(test), { run, place: placeOf(site), readings });
  return { ...cost, climbs: cost.accessMinutes > 0 };
}

function toState(play: DrillPlay, to: RunState): DrillPlay {
  const run = play.site.run[drillRunId]!;
  if (run.state === to) return play;
  const minutes = stateMinutes[run.state][to];
  const since = new Date(drillDay + (play.minutes + minutes) * 60_000).toISOString();
  const step: DrillStep = {
    move: { kind: 'state', to },
    minutes,
    at: play.minutes,
    reading: null,
    climbs: false,
    disconnects: to === 'disconnected',
  };
  return {
    ...play,
    site: { ...play.site, run: { [drillRunId]: { ...run, state: to, stateSince: since } } },
    minutes: play.minutes + minutes,
    steps: [...play.steps, step],
  };
}

function afterTest(play: DrillPlay, test: TestId, meterProved: boolean): DrillPlay {
  const { drill, site, readings } = play;
  const run = site.run[drillRunId]!;
  const definition = testDefinition(test);
  const limits = touchLimits(site, run, site.camera[run.cameraId]!);
  const held = interlock(definition, run, readings, limits);
  if (held !== undefined) {
    const rule = prerequisites(definition, run, readings, limits) ?? '';
    const why = `${definition.label} while it was not safe: ${held}. ${rule}`;
    return { ...play, ended: { kind: 'unsafe', why } };
  }
  const { minutes, climbs } = minutesOf(play, test);
  const time = play.steps.filter(({ move }) => move.kind === 'test' && move.test === test).length;
  const at = play.minutes + minutes;
  const reading = readIn(site, drill, test, { time, minute: at, meterProved });
  const step: DrillStep = {
    move: { kind: 'test', test, meterProved },
    minutes,
    at: play.minutes,
    reading,
    climbs,
    disconnects: false,
  };
  return {
    ...play,
    minutes: at,
    steps: [...play.steps, step],
    readings: reading ? { ...readings, [test]: reading } : readings,
  };
}

/** A drill after one more move. What is not safe ends it, and so does the end of the shift. */
export function played(play: DrillPlay, move: DrillMove): DrillPlay {
  if (play.ended) return play;
  const next =
    move.kind === 'state'
      ? toState(play, move.to)
      : move.kind === 'test'
        ? afterTest(play, move.test, move.meterProved)
        : { ...play, hints: play.hints + 1 };
  if (next.ended || next.minutes <= play.drill.minutes) return next;
  return { ...next, ended: { kind: 'time', why: 'The shift is over.' } };
}

/** A drill by everything that was done in it: what was kept of it is its moves alone. */
export const replayed = (drill: Drill, moves: readonly DrillMove[]): DrillPlay =>
  moves.reduce(played, newPlay(drill));
