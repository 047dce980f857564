import { describe, expect, it } from 'vitest';
import { applyChanges, choose, type Change } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite, summaryOf, savingOf, troubleOf, type RunSummary } from '.';

const site = saltmarrowSite();
const runOf = (runs: readonly RunSummary[], number: number): RunSummary =>
  runs.find(({ camera }) => camera.number === number)!;
const { runs } = summaryOf(evaluateSite(site));

describe('the worst first', () => {
  it('a camera that fails stands before one that holds with room', () => {
    expect(troubleOf(runOf(runs, 8))).toBeGreaterThan(troubleOf(runOf(runs, 1)));
    expect(troubleOf(runOf(runs, 24))).toBeGreaterThan(troubleOf(runOf(runs, 1)));
  });
  it('a choice that broke stands before everything', () => {
    const late: Change = {
      kind: 'reading',
      id: 'late',
      set: {
        id: 'late',
        runId: 'r03',
        test: 'night-volts',
        value: 9.4,
        at: '2026-05-01T22:00:00Z',
        by: 'I. Marlow',
        instrument: 'Bench meter 1',
      },
    };
    const applied = applyChanges(site, [late]);
    if (applied.kind === 'refused') throw new Error('refused');
    const after = summaryOf(evaluateSite(applied.value.site)).runs;
    expect([...after].sort((a, b) => troubleOf(b) - troubleOf(a))[0]!.camera.number).toBe(3);
  });
});

describe('most to save first', () => {
  it('is what was chosen, or new cable, against the cheapest IP that holds', () => {
    const applied = applyChanges(
      site,
      choose(site, 'c19', { option: 'new-category', by: 'x', at: '2026-05-01T22:00:00Z' }),
    );
    if (applied.kind === 'refused') throw new Error('refused');
    const run = runOf(summaryOf(evaluateSite(applied.value.site)).runs, 19);
    const cost = (kind: string) => {
      const option = run.options.find((one) => one.kind === kind)!;
      return option.state === 'no' ? NaN : option.cost;
    };
    expect(savingOf(run)).toBe(
      cost('new-category') -
        Math.min(cost('ip-coax-pair'), cost('ip-coax-unit'), cost('new-category'), cost('fibre')),
    );
  });
  it('a camera with nothing to compare comes last', () =>
    expect(savingOf({ ...runOf(runs, 1), options: [] })).toBe(-Infinity));
});
