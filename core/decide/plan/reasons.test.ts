import { optionKinds, usualDemands } from '#core/model/site';
import loadHighs from 'highs';
import { planSolver } from '#core/evaluate';
import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { saltmarrowSite } from '../../model/site/testSite';
import {
  breakEvens,
  differences,
  planningInput,
  planSite,
  policyCosts,
  reasonFor,
  tradeOffCurve,
  tradeOffs,
  withPolicy,
  type Plan,
  type PlanningInput,
} from '.';
import { chanceOfFailing, sampleScenarios, mostWorthTesting } from '#core/decide/risk';

const solver = planSolver(await loadHighs());
const site = saltmarrowSite();
const input = planningInput(site, usualDemands);
const planOf = (of: PlanningInput): Plan => {
  const planning = planSite(solver, of);
  if (planning.kind !== 'plan') throw new Error(JSON.stringify(planning));
  return planning.plan;
};
const best = planOf(input);

describe('a curve', { timeout: 60_000 }, () => {
  it.each(tradeOffs)(
    'of %s has proven plans only, each dearer than the one before and better in the other',
    (tradeOff) => {
      const points = [...tradeOffCurve(solver, input, tradeOff)];
      // More to spare may let something cheaper in: then one plan beats all others.
      expect(points.length).toBeGreaterThanOrEqual(tradeOff === 'spare' ? 1 : 2);
      points.forEach(({ plan, at }, index) => {
        expect(plan.proof.kind).toBe('proven');
        const before = points[index - 1];
        if (!before) return;
        expect(plan.totals.cost).toBeGreaterThanOrEqual(before.plan.totals.cost);
        if (tradeOff === 'dark') expect(at).toBeLessThan(before.at);
        else expect(at).toBeGreaterThan(before.at);
      });
    },
  );
});

describe('why this', { timeout: 60_000 }, () => {
  it('the next best is dearer for the site, and every other option says what keeps it out', () => {
    for (const cameraId of ['c03', 'c12', 'c14', 'c20']) {
      const reason = reasonFor(solver, input, best, cameraId)!;
      expect(reason.others).toHaveLength(optionKinds.length - 1);
      expect(reason.others.every(({ message }) => message.length > 8)).toBe(true);
      if (reason.next) expect(reason.next.moreWeighed).toBeGreaterThan(0);
    }
    expect(reasonFor(solver, input, best, 'c99')).toBeNull();
  });
  it('a camera that has one way only says so', () => {
    const alone = planningInput(
      {
        ...site,
        recorder: {
          ...site.recorder,
          'hall-recorder': { ...site.recorder['hall-recorder']!, accepts: ['cvbs'] },
        },
      },
      withPolicy(usualDemands, 'listed', 'nothing-new'),
    );
    expect(reasonFor(solver, alone, planOf(alone), 'c01')?.message).toMatch(
      /Nothing else can be had here|Next best|costs/,
    );
  });
  it('a price or a length past which it turns does turn it, and one short of it does not', () => {
    const turns = [...breakEvens(solver, input, best, 'c18')];
    expect(turns.map(({ of }) => of)).toContain('Length of the run');
    const price = turns.find(
      ({ unit, turnsAt, now }) => unit === 'money' && turnsAt !== null && turnsAt > now,
    );
    expect(price).toBeDefined();
    const product = [...catalogueOf(site).products.values()].find(({ name }) => name === price!.of)!;
    const at = (each: number) =>
      planOf(
        planningInput({ ...site, product: { [product.id]: { ...product, each } as never } }, usualDemands),
      ).options['c18'];
    expect(at(price!.turnsAt! * 1.001)).toBe(price!.turnsTo);
    expect(at(price!.now * 0.999)).toBe(best.options['c18']);
  });
});

describe('policies', { timeout: 60_000 }, () => {
  const costs = [...policyCosts(solver, site, best)];
  it('each says what it costs beside the plan in hand; the ones in force cost nothing', () => {
    expect(costs.filter(({ chosen }) => chosen)).toHaveLength(8);
    expect(
      costs.filter(({ chosen }) => chosen).every(({ moreCost, changed }) => moreCost === 0 && changed === 0),
    ).toBe(true);
    expect(costs.find(({ option }) => option === 'recable')?.moreCost).toBeGreaterThan(0);
    expect(costs.find(({ option }) => option === 'nothing-new')?.moreIp).toBeLessThan(0);
  });
  it('two plans differ camera by camera, each with why', () => {
    const strict = planningInput(site, withPolicy(usualDemands, 'listed', 'nothing-new'));
    const rows = differences(input, best, strict, planOf(strict));
    expect(rows.find(({ number }) => number === 1)).toMatchObject({
      b: 'keep',
      why: expect.stringMatching(/nothing new on show in a listed place/) as string,
    });
    expect(differences(input, best, input, best)).toEqual([]);
  });
});

describe('scenarios', { timeout: 60_000 }, () => {
  const draw = (seed: number, count = 2000) =>
    [...sampleScenarios(input, best.options, { count, seed })].at(-1)!;
  it('are the same for the same seed, others for another, and come in portions', () => {
    expect(draw(3)).toEqual(draw(3));
    expect(draw(3).cameras.map(({ fails }) => fails)).not.toEqual(draw(4).cameras.map(({ fails }) => fails));
    expect(
      [...sampleScenarios(input, best.options, { count: 2000, seed: 1 })].map(({ drawn }) => drawn),
    ).toEqual([500, 1000, 1500, 2000]);
  });
  it('one camera failing is at most as likely as any, and the chances add up to the average', () => {
    const { anyFails, failsOnAverage, cameras } = draw(5);
    expect(Math.max(...cameras.map(({ fails }) => fails))).toBeLessThanOrEqual(anyFails);
    expect(cameras.reduce((sum, { fails }) => sum + fails, 0)).toBeCloseTo(failsOnAverage, 9);
  });
  it('a choice just past its limit fails in about half of them, one with room in none', () => {
    const [first] = input.runs;
    const margin = (utilisation: number) => ({
      label: 'x',
      unit: 'W' as const,
      value: 1,
      utilisation,
      status: 'holds' as const,
      basis: 'typical' as const,
      unread: true,
      derivation: () => ({ title: '', steps: [], conclusion: '' }),
      under: ({ load }: { load: number }) => utilisation * (1 + 0.1 * load),
    });
    const option = (share: number) => ({
      ...first!.options.find((one) => one.state !== 'no')!,
      kind: 'keep' as const,
      margins: [margin(share)],
    });
    const risk = (share: number) =>
      [
        ...sampleScenarios(
          { ...input, runs: [{ ...first!, optionOf: () => option(share) as never }] },
          { [first!.camera.id]: 'keep' },
          { count: 4000, seed: 9 },
        ),
      ].at(-1)!.anyFails;
    expect(risk(1)).toBeGreaterThan(0.46);
    expect(risk(1)).toBeLessThan(0.54);
    // 1.1 under 1 at a spread of a tenth of 0.9: the normal tail past 1.11 deviations is 13.3 %.
    expect(risk(0.9)).toBeCloseTo(0.133, 1);
    expect(risk(0.4)).toBe(0);
  });
  it('one option by itself has the chance that it has among the others, nearly', () => {
    const among = draw(8, 4000).cameras.find(({ number }) => number === 12)!.fails;
    expect(Math.abs(chanceOfFailing(input, 'c12', best.options['c12']!) - among)).toBeLessThan(0.03);
    expect(chanceOfFailing(input, 'c12', 'retire')).toBe(0);
  });
  it('the run most worth testing is one that nobody has read, with a test that reads what could break it', () => {
    const unread = planningInput({ ...site, reading: {} }, { ...usualDemands, goal: 'mend' });
    const plan = planOf(unread);
    const last = [...sampleScenarios(unread, plan.options, { count: 3000, seed: 2 })].at(-1)!;
    const worth = mostWorthTesting(last);
    expect(worth).toMatchObject({ test: expect.any(String) as string, fails: expect.any(Number) as number });
    expect(worth!.savesHours).toBe(Math.max(...last.cameras.map(({ savesHours }) => savesHours)));
  });
});
