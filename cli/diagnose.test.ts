import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { scoreOf, type JudgementScore, type SaidOfRun } from '#core/test/diagnosis';
import { knownRuns, knownSiteFile } from '../tests/reference/judgement/known';
import { diagnoseFile } from './diagnose';

const demoFile = path.resolve('demo/saltmarrow.neotrope.json');
const read = (file: string): string =>
  (file.endsWith('.gz') ? gunzipSync(readFileSync(file)) : readFileSync(file)).toString('utf8');
const diagnose = (...args: string[]) => diagnoseFile(args, read);

describe('the command', () => {
  it('says each run in a line, or one of them', () => {
    const all = diagnose(demoFile);
    expect(all).toMatchObject({ status: 0, errors: [] });
    expect(all.out).toMatch(/ {2}13 {2}Ramp east: Most likely coax joint: a poor joint in the coax\./);
    expect(diagnose(demoFile, '--run', 'r13').out.split('\n')).toHaveLength(2);
  });
  it('says it for other programs: causes, sets of them, metres', () => {
    const { runs } = JSON.parse(diagnose(demoFile, '--run', 'r13', '--json').out) as { runs: SaidOfRun[] };
    expect(runs.map(({ run }) => run)).toEqual(['r13']);
    const [joint] = runs[0]!.causes;
    expect(joint).toMatchObject({ cause: 'joint', atM: null });
    expect(joint!.probability).toBeGreaterThan(0.8);
  });
  it.each([
    [[], /^no site file named/],
    [['--run'], /^--run needs/],
    [['--json', '--fast'], /^--fast is not understood/],
    [[demoFile, '--run', 'r99'], /^--run is r99, allowed: a run of Saltmarrow/],
    [['nowhere.json'], /cannot be read/],
    [[path.resolve('package.json')], /format/],
  ])('%j is refused in words', (args, words) => {
    const said = diagnose(...args);
    expect([said.status, said.out]).toEqual([2, '']);
    expect(said.errors[0]).toMatch(words);
  });
});

/** Lines, meters, traces and symptoms of 280 runs were simulated by a model that shares nothing with this one. */
describe('runs whose truth is known', () => {
  let score: JudgementScore;
  beforeAll(() => {
    const { out } = diagnose(knownSiteFile, '--json');
    score = scoreOf(knownRuns(), (JSON.parse(out) as { runs: SaidOfRun[] }).runs);
  }, 120_000);
  it('are judged right, and a trouble is neither made up nor passed over', () => {
    expect(score.right).toBeGreaterThanOrEqual(0.94);
    expect(score.faultyRight).toBeGreaterThanOrEqual(0.91);
    expect(score.madeUp).toBeLessThanOrEqual(0.03);
    expect(score.calledSound).toBeLessThanOrEqual(0.03);
  });
  it('are spoken of as surely as it is right', () =>
    expect(score.calibrationError).toBeLessThanOrEqual(0.04));
  it('are told to the metre, within nine tenths of what is stated', () => {
    expect(score.metreNear).toBeGreaterThanOrEqual(0.95);
    expect(score.metreCovered).toBeGreaterThanOrEqual(0.85);
    expect(score.metreCovered).toBeLessThanOrEqual(0.95);
  });
  it('have both of two troubles named', () => {
    expect(score.oneFirst).toBeGreaterThanOrEqual(0.9);
    expect(score.bothFirst).toBeGreaterThanOrEqual(0.72);
  });
});
