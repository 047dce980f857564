import { expect, it } from 'vitest';
import { evaluateRuns } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';

const demo = saltmarrowUnshared();
const ofPort = /Its port is expected to give ([\d.]+) W at night, and sign-off accepts ([\d.]+) W/;
/** What is said of the port of a head-end unit that would feed a camera over its coax. */
function saidOfPort(site: Site, runId: string): string[] {
  const { options } = evaluateRuns(site).find(({ run }) => run.id === runId)!;
  const option = options.find(({ kind }) => kind === 'ip-coax-unit')!;
  return option.state === 'no' ? [] : option.cautions.filter((caution) => ofPort.test(caution));
}

it('a port that gives more than is accepted of it is told where it is chosen, with both figures', () => {
  // The mast: 24 W and 1.5 W of the converter over 6.4 Ω from 50 V are 27.4 W at the head, and 85 % of 30 W are 25.5 W.
  const [said] = saidOfPort(demo, 'r12');
  expect(ofPort.exec(said!)!.slice(1)).toEqual(['27.4', '25.5']);
  expect(saidOfPort(demo, 'r01')).toEqual([]);
});
it('is accepted where another share was agreed on', () => {
  const agreed = { id: 'acceptance' as const, figures: { portSharePercent: 95 } };
  expect(saidOfPort({ ...demo, acceptancePolicy: { acceptance: agreed } }, 'r12')).toEqual([]);
});
