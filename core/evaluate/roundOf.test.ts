import { describe, expect, it } from 'vitest';
import { evaluateSite } from './evaluateSite';
import { roundOf } from './roundOf';
import { runDiagnostics } from './runDiagnostics';
import { unbelievedRuns, unweighedRuns } from './weighedTests';
import { saltmarrowSite } from '../model/site/testSite';
import { choose, withChanges, type Change } from '#core/model/site';
import { believeRun, weighRun, type BelievedRun } from '#core/test/round';

const site = saltmarrowSite();
const before = { site, evaluation: evaluateSite(site) };

describe('the round of a site', () => {
  it('keeps the time at hand, goes to no place twice, and tells more in more time', () => {
    let told = 0;
    for (const minutes of [30, 60, 120, 240]) {
      const round = roundOf(before, minutes);
      expect(round.minutes).toBeLessThanOrEqual(minutes);
      expect(new Set(round.stops.map(({ at, placeId }) => `${at} ${placeId}`)).size).toBe(round.stops.length);
      expect(round.worth).toBeGreaterThan(told);
      expect(round.worth).toBeLessThan(round.openWorth);
      told = round.worth;
    }
  });
  it('is the same where other threads have weighed the tests, and weighs no run twice', () => {
    const fresh = { site, evaluation: evaluateSite(structuredClone(site)) };
    const unbelieved = unbelievedRuns(fresh);
    expect(unbelieved.length).toBeGreaterThan(3);
    const believed = new Map<string, BelievedRun>();
    for (const { task, keep } of unbelieved) {
      const one = believeRun(structuredClone(task));
      believed.set(task.looked.run.id, one);
      keep(structuredClone(one.belief));
    }
    expect(unbelievedRuns(fresh)).toEqual([]);
    const unweighed = unweighedRuns(fresh);
    expect(unweighed).toHaveLength(24);
    // What passes between threads is copied. A thread may have believed something of the run itself, or not.
    for (const { task, keep } of unweighed)
      keep(structuredClone(weighRun(structuredClone(task), believed.get(task.looked.run.id))));
    expect(unweighedRuns(fresh)).toEqual([]);
    expect(roundOf(fresh, 120)).toEqual(roundOf(before, 120));
  });
  it('asks for no test that was done, and is planned anew after a reading', () => {
    const [first] = roundOf(before, 30).stops[0]!.tests;
    const reading: Change = {
      kind: 'reading',
      id: 'just-now',
      set: {
        id: 'just-now',
        runId: first!.runId,
        test: 'picture',
        symptoms: [],
        at: '2026-04-01T09:00:00Z',
        by: 'I. Marlow',
        instrument: 'Eyes',
      },
    };
    const next = withChanges(site, [reading]);
    const round = roundOf({ site: next, evaluation: evaluateSite(next, before) }, 600);
    const asked = round.stops.flatMap(({ tests }) => tests).filter(({ runId }) => runId === first!.runId);
    expect(asked.map(({ testId }) => testId)).not.toContain('picture');
  });
  it('sends nobody to a run with dangerous volts', () => {
    const at = { runId: 'r15', at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
    const next = withChanges(site, [
      { kind: 'reading', id: 'live', set: { id: 'live', ...at, test: 'foreign-ac-volts', value: 90 } },
    ]);
    const round = roundOf({ site: next, evaluation: evaluateSite(next) }, 600);
    expect(round.stoppedRunIds).toEqual(['r15']);
    expect(round.stops.flatMap(({ tests }) => tests).map(({ runId }) => runId)).not.toContain('r15');
  });
  it('says of a run that nobody tested what a tested one of the same print makes likely', () => {
    const printed = (id: string): Change => {
      const run = site.run[id]!;
      const [first] = site.run['r14']!.segments;
      const segments = run.segments.map((segment) => ({
        ...segment,
        cable: first!.cable,
        print: 'FERRY 75',
      }));
      return { kind: 'run', id, set: { ...run, segments } };
    };
    const next = withChanges(site, [printed('r14'), printed('r15')]);
    const { foretold } = roundOf({ site: next, evaluation: evaluateSite(next) }, 60);
    expect(foretold).toMatchObject([
      {
        runId: 'r15',
        trouble: 'coax-construction',
        message: '1 of 1 tested runs with the same cable and print have it',
      },
    ]);
    // By hand: a rate of 3 % counts for three runs, and one is almost surely so.
    expect(foretold[0]!.rate).toBeCloseTo((0.03 * 3 + 1) / 4, 1);
    expect(roundOf(before, 60).foretold).toEqual([]);
  });
  describe('by the work that tests save', () => {
    const bare = { ...site, reading: {} };
    const who = { by: 'R. Tolland', at: '2026-03-02T10:00:00Z' };
    // Everybody over the old coax from a unit, as far as that is thought of at all.
    const untested = withChanges(
      bare,
      evaluateSite(bare).runs.flatMap(({ camera, options }) =>
        options.some(({ kind, state }) => kind === 'ip-coax-unit' && state !== 'no')
          ? choose(bare, camera.id, { option: 'ip-coax-unit', ...who })
          : [],
      ),
    );
    const chosen = Object.values(untested.choice);
    const choosing = { site: untested, evaluation: evaluateSite(untested) };
    it('holds the tests that what is chosen hangs on, and saves no more than all of them', () => {
      const round = roundOf(choosing, 120, 'save');
      const taken = round.stops.flatMap(({ tests }) => tests);
      const runIds = new Set(taken.map(({ runId }) => runId));
      expect(taken.length).toBeGreaterThan(0);
      // One test a camera, of cameras for which something is chosen.
      expect(runIds.size).toBe(taken.length);
      for (const id of runIds) expect(chosen.map((one) => one.id)).toContain(untested.run[id]!.cameraId);
      expect(round.worth).toBeCloseTo(
        taken.reduce((sum, { worth }) => sum + worth, 0),
        9,
      );
      expect(round.worth).toBeLessThanOrEqual(round.openWorth + 1e-9);
      expect(round.minutes).toBeLessThanOrEqual(120);
      // 48 an hour in the generic prices.
      expect(round.money).toBe(Math.round(48 * round.worth));
      expect(round.nights).toBeLessThanOrEqual(taken.length / 2);
      // Each saves what its camera's own weighing says, but for the draw.
      for (const { runId, testId, worth } of taken) {
        const own = runDiagnostics(choosing, runId)!.forPlan;
        const saves = own?.savesHours ?? 0;
        expect(Math.abs(saves - worth)).toBeLessThan(0.15 * saves + 0.1);
        // Of what saves next to nothing another draw may name another test.
        if (worth > 0.2) expect(own?.test.id).toBe(testId);
      }
    });
    it('is empty where nothing is chosen, and sends nobody to dangerous volts', () => {
      const free = { ...untested, choice: {} };
      const round = roundOf({ site: free, evaluation: evaluateSite(free) }, 240, 'save');
      expect(round).toMatchObject({ stops: [], worth: 0, openWorth: 0, nights: 0, money: 0 });
      const [first] = roundOf(choosing, 240, 'save').stops.flatMap(({ tests }) => tests);
      const at = { runId: first!.runId, at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
      const live = withChanges(untested, [
        { kind: 'reading', id: 'live', set: { id: 'live', ...at, test: 'foreign-ac-volts', value: 90 } },
      ]);
      const after = roundOf({ site: live, evaluation: evaluateSite(live) }, 240, 'save');
      expect(after.stops.flatMap(({ tests }) => tests).map(({ runId }) => runId)).not.toContain(first!.runId);
    });
  });
});
