import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { asKnown, bestCase, pessimistic } from '#core/test/scenarios';
import { railAt } from '#core/test/volts';
import type { OptionKind, QuantityTestId, Reading, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { brokenLimit, type FeasibleOption, type Margin, type MarginKind } from '.';

const demo = saltmarrowSite();
const hall = demo.supply['hall-box']!;

const withHall = (fields: Partial<typeof hall>): Site => ({
  ...demo,
  supply: { ...demo.supply, 'hall-box': { ...hall, ...fields } },
});

/** With one reading of a run in place of what was read of it there, or with none. */
function reread(site: Site, runId: string, test: QuantityTestId, value: number | null): Site {
  const others = Object.values(site.reading).filter((one) => one.runId !== runId || one.test !== test);
  const taken = {
    id: 'again',
    runId,
    test,
    value,
    at: '2026-06-01T08:00:00Z',
    by: 'I. Marlow',
    instrument: 'Bench meter 1',
  };
  const all = value === null ? others : [...others, taken as Reading];
  return { ...site, reading: Object.fromEntries(all.map((one) => [one.id, one])) };
}

function option(site: Site, runId: string, kind: OptionKind): FeasibleOption {
  const found = evaluateSite(site)
    .runs.find(({ run }) => run.id === runId)!
    .options.find((one) => one.kind === kind)!;
  if (found.state === 'no') throw new Error(found.why);
  return found;
}
const marginOf = ({ margins }: FeasibleOption, kind: MarginKind): Margin | undefined =>
  margins.find((margin) => margin.kind === kind);

describe('the highest volts of a feed', () => {
  // Run 1 is 18 m of cable: next to nothing is lost by day, and a camera to 13.2 V meets all but the whole 13.8 V.
  const high = withHall({ setVolts: 13.8 });
  it.each(['keep', 'hd-coax'] as const)('a camera to 13.2 V on a box at 13.8 V does not hold: %s', (kind) => {
    const one = option(reread(high, 'r01', 'day-volts', null), 'r01', kind);
    expect(one.state).toBe('fails');
    expect(brokenLimit(one)).toEqual({
      limit: 'highest volts: More than the camera bears: it is damaged, if not at once.',
      remedy: expect.stringMatching(/supply set lower/) as string,
    });
  });
  it('what was read by day at the camera counts, whatever the box is noted at', () => {
    expect(option(demo, 'r01', 'keep').state).toBe('holds');
    const one = option(reread(demo, 'r01', 'day-volts', 13.7), 'r01', 'keep');
    expect([one.state, marginOf(one, 'highest-volts')!.value]).toEqual(['fails', 13.7]);
    expect(option(reread(demo, 'r01', 'day-volts', 13.7), 'r01', 'hd-coax').state).toBe('fails');
  });
  it('a battery on the rail is charged at 13.8 V', () => {
    expect(marginOf(option(demo, 'r01', 'hd-coax'), 'highest-volts')).toBeUndefined();
    expect(option(withHall({ battery: true }), 'r01', 'hd-coax').state).toBe('fails');
  });
  it('are higher in the cold than the cores as they lie would give', () => {
    const site = withHall({ setVolts: 13.5 });
    const found = marginOf(option(reread(site, 'r03', 'day-volts', null), 'r03', 'keep'), 'highest-volts')!;
    const warm = evaluateSite(site).runs.find(({ run }) => run.id === 'r03')!.findings.powerLoop.ohms;
    const drawn = demo.camera['c03']!.watts.day / found.value;
    expect(found.value).toBeGreaterThan(13.5 - drawn * warm);
    expect(found.value).toBeLessThan(13.5);
  });
  it('less loop and less load are the bad side of what is not known', () => {
    const found = marginOf(option(reread(high, 'r03', 'day-volts', null), 'r03', 'keep'), 'highest-volts')!;
    expect(found.under(asKnown)).toBeCloseTo(found.utilisation, 9);
    expect(found.under(pessimistic)).toBeGreaterThan(found.utilisation);
    expect(found.under(bestCase)).toBeLessThan(found.utilisation);
  });
});

describe('volts in the moment of the start', () => {
  it('a new camera that would start again and again does not hold', () => {
    // Run 10: 11.2 V by night, and a quarter more watts at the start take it below 10.8 V.
    const one = option(demo, 'r10', 'hd-coax');
    expect(marginOf(one, 'night-volts')!.status).not.toBe('fails');
    expect(brokenLimit(one)!.limit).toMatch(/volts at start-up: It may start again and again/);
    expect(marginOf(one, 'start-volts')!.value).toBeLessThan(10.8);
  });
  it('one that hangs there and was read by night has started so far: close, and no more than that', () => {
    const kept = marginOf(option(demo, 'r10', 'keep'), 'start-volts')!;
    expect([kept.status, kept.utilisation]).toEqual(['close', 1]);
    expect(kept.derivation().conclusion).toMatch(/has started so far/);
    const unread = marginOf(option(reread(demo, 'r10', 'night-volts', null), 'r10', 'keep'), 'start-volts')!;
    expect(unread.status).toBe('fails');
  });
  it('a setting of the box is one at which every camera starts, where none was seen running', () => {
    const at = (site: Site) => railAt(site, site.supply['marshalling-box']!, 13.2).cameras;
    const needs = (site: Site) => at(site).find(({ runId }) => runId === 'r10')!.needsVolts;
    expect(needs(demo)).toBeCloseTo(13.2, 9);
    expect(needs(reread(demo, 'r10', 'night-volts', null))).toBeGreaterThan(13.9);
  });
});
