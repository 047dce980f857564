import { describe, expect, it } from 'vitest';
import { evaluateSite, runDiagnostics } from '#core/evaluate';
import {
  applyChanges,
  conductorsFree,
  leaveSheaths,
  removeRunAndCamera,
  segmentsAlike,
  shareCable,
  sheathAt,
  type Change,
  type Site,
} from '.';
import { changesOf, saltmarrowUnshared } from './testSite';

const demo = saltmarrowUnshared();
const member = (runId: string, segment = 0) => ({ runId, segment });
/** The boat shed's runs with one pair of power each way, so that two of them fit into one cable. */
const thin: Site = {
  ...demo,
  reading: {},
  run: Object.fromEntries(
    Object.values(demo.run).map((run) => [
      run.id,
      ['r20', 'r21', 'r22'].includes(run.id)
        ? {
            ...run,
            segments: run.segments.map((one) => ({
              ...one,
              cable: 'pair-cat5e',
              leg: { kind: 'spare-pairs' as const, outCores: 1, backCores: 1 },
            })),
          }
        : run,
    ]),
  ),
};
const refusal = (site: Site, ...changes: Change[]): string => {
  const applied = applyChanges(site, changes);
  return applied.kind === 'refused' ? applied.problems.map(({ allowed }) => allowed).join('; ') : '';
};
const taken = (site: Site, changes: Change[]): Site => {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};
const both = taken(thin, shareCable(thin, member('r22'), member('r20')));

describe('a cable that several runs share', () => {
  it('is named for its cameras and takes others in', () => {
    expect(sheathAt(both, 'r22', 0)!.name).toBe('Cable of cameras 20 and 22');
    expect(sheathAt(both, 'r21', 0)).toBeUndefined();
  });
  it.each([
    // Two for each picture, and three out and three back for each camera's power: 16 of 8.
    [
      'has no more conductors than it has',
      demo,
      ['r20', 'r22'],
      /at most 8 conductors of one cable; together they use 16/,
    ],
    // A third camera would make twelve of eight.
    ['nor with a third', both, ['r20', 'r21'], /together they use 12/],
    ['is of one kind', demo, ['r20', 'r21'], /segments of one kind of pair cable/],
    ['is no coax', demo, ['r01', 'r02'], /segments of one kind of pair cable/],
  ])('%s', (_, site, [other, own], words) =>
    expect(refusal(site, ...shareCable(site, member(own!), member(other!)))).toMatch(words),
  );
  it('has each segment once, of runs that are there', () => {
    const set = { id: 'x', name: 'Twice', members: [member('r20'), member('r21')] };
    expect(refusal(both, { kind: 'sheath', id: 'x', set })).toMatch(/each segment in one cable; run r20/);
    const gone = { id: 'x', name: 'Gone', members: [member('r21', 7), member('r99')] };
    expect(refusal(thin, { kind: 'sheath', id: 'x', set: gone })).toMatch(
      /a segment that run r21 has.*the id of a run/,
    );
  });
  it('a run whose power takes more conductors than are left is refused there', () => {
    const run = both.run['r20']!;
    const leg = { kind: 'spare-pairs' as const, outCores: 2, backCores: 2 };
    const set = { ...run, segments: run.segments.map((one) => ({ ...one, leg })) };
    expect(refusal(both, { kind: 'run', id: 'r20', set })).toMatch(/together they use 10/);
  });
  it('keeps Ethernet off it, and says whom it carries', () => {
    const options = (site: Site, number: number) =>
      evaluateSite(site)
        .runs.find(({ camera }) => camera.number === number)!
        .options.find(({ kind }) => kind === 'ip-category')!;
    expect(options(thin, 20).state).not.toBe('no');
    const option = options(both, 20);
    expect(option.state === 'no' && option.why).toMatch(/carries camera 22 on other pairs/);
    expect(options(both, 21).state).not.toBe('no');
  });
  it('is not fit for Ethernet as it is, and says who else is on it', () => {
    const uses = (site: Site) =>
      runDiagnostics({ site, evaluation: evaluateSite(site) }, 'r20')!.uses.uses.find(
        ({ id }) => id === 'ip-category',
      )!;
    expect(uses(thin).status).not.toBe('fails');
    expect(uses(both)).toMatchObject({
      status: 'fails',
      message: 'not fit: the cable carries camera 22 too',
    });
  });
  it('has free what none of its cameras uses', () => {
    expect(conductorsFree(thin, 'r20', 0)).toBe(4);
    expect(conductorsFree(both, 'r20', 0)).toBe(0);
    expect(conductorsFree(demo, 'r01', 0)).toBeNull();
  });
  it('offers nobody a second pair for power that carries another camera', () => {
    const fix = (site: Site) =>
      evaluateSite(site)
        .runs.find(({ camera }) => camera.number === 20)!
        .options.find(({ kind }) => kind === 'power-fix')!;
    const near = (site: Site): Site => ({
      ...site,
      run: Object.fromEntries(
        Object.entries(site.run).map(([id, run]) => [
          id,
          { ...run, segments: run.segments.map((one) => ({ ...one, lengthM: 50 })) },
        ]),
      ),
    });
    expect(fix(near(thin))).toMatchObject({
      message: expect.stringMatching(/second pair of the same cores/),
    });
    expect(fix(near(both))).toMatchObject({ message: expect.not.stringMatching(/second pair/) });
  });
  it('is none any more when all but one have left, and goes with its runs', () => {
    expect(
      taken(
        both,
        leaveSheaths(both, ({ runId }) => runId === 'r20'),
      ).sheath,
    ).toEqual({});
    expect(taken(both, changesOf(removeRunAndCamera(both, 'r20'))).sheath).toEqual({});
  });
  it('is offered with segments of the same cable from the same head end alone', () => {
    const numbers = (site: Site, runId: string): number[] =>
      segmentsAlike(site, member(runId)).map(({ cameraNumber }) => cameraNumber);
    expect(numbers(demo, 'r20')).toEqual([22]);
    expect(numbers(thin, 'r20')).toEqual([21, 22]);
    const moved = { ...thin, run: { ...thin.run, r21: { ...thin.run['r21']!, headEndId: 'marshalling' } } };
    expect(numbers(moved, 'r20')).toEqual([22]);
  });
});
