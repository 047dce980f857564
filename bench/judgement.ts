import { diagnosisInput } from '#core/decide/belief';
import { evaluateSite, runDiagnostics } from '#core/evaluate';
import { testDefinition, tests, type Site, type TestId } from '#core/model/site';
import {
  beliefIn,
  diagnose,
  scoreOf,
  type Diagnosis,
  type DiagnosisInput,
  type KnownRun,
  type SaidOfRun,
} from '#core/test/diagnosis';
import { stateFor } from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { knownRuns, knownSite } from '../tests/reference/judgement/known';
import { median, type Row } from './measure';

const percent = (share: number | null): string => (share === null ? '-' : `${(100 * share).toFixed(1)} %`);

const saidOf = (run: string, { ranked }: Diagnosis): SaidOfRun => ({
  run,
  causes: ranked.map(({ cause, probability, where }) => ({
    cause,
    probability,
    atM: where?.atM ?? null,
    spreadM: where?.spreadM ?? null,
  })),
});

/** What a run took by the tables of one main trouble that were there before, as right as this. */
const minutesBefore = 35;
/** From so much a person stops testing. */
const sureFrom = 0.9;

interface Path {
  minutes: number;
  said: SaidOfRun;
}

/** One test after the other, as `pick` says, until one cause is sure or no test is left. */
function tested(
  looked: DiagnosisInput,
  site: Site,
  pick: (diagnosis: Diagnosis, done: RunReadings) => TestId | undefined,
): Path {
  const place = site.place[looked.camera.placeId]!;
  let readings: RunReadings = {};
  let minutes = 0;
  // The run stays as it was brought for the last test.
  let { run } = looked;
  for (;;) {
    const diagnosis = diagnose({ ...looked, run, readings }, place);
    const next = diagnosis.ranked[0]!.probability >= sureFrom ? undefined : pick(diagnosis, readings);
    if (!next) return { minutes, said: saidOf(looked.run.id, diagnosis) };
    minutes += diagnosis.next.find(({ test }) => test.id === next)?.minutes ?? testDefinition(next).minutes;
    readings = { ...readings, [next]: looked.readings[next] };
    run = { ...run, state: stateFor(testDefinition(next), run.state) };
  }
}

/** By what tells most for its minutes, and in the order in which tests are always shown. */
function oneAfterAnother(site: Site, inputs: readonly DiagnosisInput[], known: readonly KnownRun[]): Row[] {
  const byWorth = inputs.map((looked) =>
    tested(looked, site, ({ next }) => next.find(({ test }) => looked.readings[test.id])?.test.id),
  );
  const inOrder = inputs.map((looked) =>
    tested(looked, site, (_, done) => tests.find(({ id }) => looked.readings[id] && !done[id])?.id),
  );
  const right = (paths: readonly Path[]): number =>
    scoreOf(
      known.filter(({ troubles }) => troubles.length < 2),
      paths.map(({ said }) => said),
    ).right;
  const mean = (paths: readonly Path[]): number =>
    paths.reduce((sum, { minutes }) => sum + minutes, 0) / paths.length;
  return [
    {
      figure: 'one test after another until 90 % sure: right',
      measured: `${percent(right(byWorth))} in ${mean(byWorth).toFixed(1)} min a run`,
      wanted: `at least 90 %, under ${minutesBefore} min`,
      holds: right(byWorth) >= 0.9 && mean(byWorth) < minutesBefore,
    },
    {
      figure: 'the same in the order in which tests are shown',
      measured: `${percent(right(inOrder))} in ${mean(inOrder).toFixed(1)} min a run`,
      wanted: 'more minutes than that',
      holds: mean(inOrder) > mean(byWorth),
    },
  ];
}

/** How good the diagnosis is on runs whose truth is known. */
export function judgement(): Row[] {
  const site = knownSite();
  const evaluation = evaluateSite(site);
  const known = knownRuns();
  const readings = readingsByRun(site);
  const inputs = evaluation.runs.map((one) => diagnosisInput(site, one, readings.get(one.run.id) ?? {}));
  const times: number[] = [];
  const said = inputs.map((looked) => {
    const start = performance.now();
    beliefIn(looked);
    times.push(performance.now() - start);
    return saidOf(looked.run.id, runDiagnostics({ site, evaluation }, looked.run.id)!.diagnosis);
  });
  const score = scoreOf(known, said);
  const least = (figure: string, share: number | null, goal: number): Row => ({
    figure,
    measured: percent(share),
    wanted: `at least ${percent(goal)}`,
    holds: (share ?? 0) >= goal,
  });
  const most = (figure: string, share: number | null, goal: number): Row => ({
    figure,
    measured: percent(share),
    wanted: `at most ${percent(goal)}`,
    holds: (share ?? 1) <= goal,
  });
  const covered = score.metreCovered ?? 0;
  return [
    least('right, all readings', score.right, 0.94),
    least('right of the faulty', score.faultyRight, 0.91),
    most('made up on sound runs', score.madeUp, 0.03),
    most('faulty called sound', score.calledSound, 0.03),
    {
      figure: 'calibration error',
      measured: score.calibrationError.toFixed(3),
      wanted: 'at most 0.020',
      holds: score.calibrationError <= 0.02,
    },
    {
      figure: 'metre inside the stated nine tenths',
      measured: percent(covered),
      wanted: '85 to 95 %',
      holds: covered >= 0.85 && covered <= 0.95,
    },
    least('both of two troubles in the first two', score.bothFirst, 0.72),
    {
      figure: 'belief of a run whose events are known',
      measured: `${median(times).toFixed(1)} ms`,
      wanted: 'at most 10 ms',
      holds: median(times) <= 10,
    },
    ...oneAfterAnother(site, inputs, known),
  ];
}
