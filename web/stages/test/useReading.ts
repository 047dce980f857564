import { interlock, touchLimits } from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import type { RunSummary } from '#core/evaluate';
import { type TestId, testDefinition, tests } from '#core/model/site';
import { useEvaluation } from '../../stores/evaluation';
import { useOpenSite } from '../../stores/openSite';
import { useInstrument } from '../../stores/instrument';
import { useTaking } from './taking';

/** Takes readings of a run with the connected instrument. */
export function useReading() {
  const openSite = useOpenSite();
  const instrument = useInstrument();
  const evaluations = useEvaluation();
  const { take } = useTaking();

  const readingsOf = (runId: string) => readingsByRun(openSite.value).get(runId) ?? {};
  function heldBack(runId: string, test: TestId): string | undefined {
    const site = openSite.value;
    const run = site.run[runId]!;
    const limits = touchLimits(site, run, site.camera[run.cameraId]!);
    return interlock(testDefinition(test), run, readingsOf(runId), limits);
  }
  const mayRead = (runId: string, test: TestId): boolean =>
    instrument.canRead.has(test) && heldBack(runId, test) === undefined;

  const shownTests = ({ findings }: RunSummary): TestId[] => {
    const shown = new Set(findings.verdicts.map(({ id }) => id));
    return tests.map(({ id }) => id).filter((id) => shown.has(id));
  };
  /** Tests of the run that the instrument could read now, in their order. */
  const readable = (evaluation: RunSummary): TestId[] =>
    shownTests(evaluation).filter((id) => mayRead(evaluation.run.id, id));

  async function read({ run, camera }: RunSummary, test: TestId): Promise<boolean> {
    const now = openSite.value.run[run.id]!;
    const answer = await instrument.read({
      test,
      runNumber: camera.number,
      state: now.state,
      current: camera.supply.current,
    });
    return (
      answer !== null &&
      take(now, camera.number, answer.found, {
        instrument: answer.name,
        ...(answer.serial ? { serial: answer.serial } : {}),
      })
    );
  }
  /** Reads one after the other what the readings before it allow, and stops where one is refused. */
  async function readAll(runId: string): Promise<void> {
    const evaluation = evaluations.byRun.get(runId);
    if (!evaluation || instrument.busy !== null) return;
    for (const test of shownTests(evaluation))
      if (mayRead(runId, test) && !(await read(evaluation, test))) return;
  }
  return { readable, read, readAll };
}
