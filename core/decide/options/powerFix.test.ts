import { describe, expect, it } from 'vitest';
import { feasibleOption } from '#core/decide/runEvaluation';
import { evaluateSite } from '#core/evaluate';
import type { Fact, Run, Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import type { FeasibleOption } from '.';

const demo: Site = { ...saltmarrowUnshared(), reading: {}, mending: {}, choice: {} };
const withRun = (site: Site, id: string, fields: Partial<Run>): Site => ({
  ...site,
  run: { ...site.run, [id]: { ...site.run[id]!, ...fields } },
});
const evaluated = (site: Site, runId: string) => evaluateSite(site).runs.find(({ run }) => run.id === runId)!;
const fixOf = (site: Site, runId: string): FeasibleOption =>
  feasibleOption(evaluated(site, runId), 'power-fix')!;
/** Volts by night as a camera that is kept has them. */
const nightVolts = (site: Site, runId: string): number =>
  feasibleOption(evaluated(site, runId), 'keep')!.margins.find(({ kind }) => kind === 'night-volts')!.value;
const promised = ({ margins }: FeasibleOption): number =>
  margins.find(({ kind }) => kind === 'night-volts')!.value;

/** A boat shed run of some length, with some pairs of its cable for power. */
const thin = (lengthM: number, pairs = 1): Partial<Run> => ({
  segments: demo.run['r20']!.segments.map((one) => ({
    ...one,
    lengthM,
    leg: { kind: 'spare-pairs', outCores: pairs, backCores: pairs },
  })),
});

describe('power that is mended gives what was promised once it is done', () => {
  it('by an adapter at the camera, which is large enough for its start', () => {
    const fix = fixOf(demo, 'r04');
    expect(fix.message).toMatch(/^An adapter at the camera/);
    // Where the adapter gives the least that it may.
    const feed = { kind: 'local-adapter', current: 'dc', volts: 11.4, ratedAmps: 1 } as const;
    expect(nightVolts(withRun(demo, 'r04', { feed }), 'r04')).toBeCloseTo(promised(fix), 1);
    // By hand: what it asks for long as four fifths of the rating, or all of it as it starts.
    const { watts } = demo.camera[demo.run['r04']!.cameraId]!;
    const amps = Math.max(Math.max(watts.day, watts.night) / 0.8, watts.startUp) / 11.4;
    expect(fix.cautions).toContain(
      `The adapter gives 12 V and at least ${(Math.ceil(amps * 10) / 10).toFixed(1)} A.`,
    );
  });

  it.each([
    { pairs: 1, lengthM: 50 },
    { pairs: 2, lengthM: 78 },
  ])('by one pair more of its cores beside $pairs', ({ pairs, lengthM }) => {
    const site = withRun(demo, 'r20', thin(lengthM, pairs));
    const fix = fixOf(site, 'r20');
    expect(fix.message).toMatch(/pair of the same cores in parallel/);
    const done = withRun(site, 'r20', thin(lengthM, pairs + 1));
    expect(nightVolts(done, 'r20')).toBeCloseTo(promised(fix), 6);
  });

  it('by a supply of 24 V and a converter, each large enough', () => {
    const fix = fixOf(demo, 'r08');
    expect(fix.ownSupply).toEqual({ sourceVolts: 24, outVolts: 12.2 });
    // By hand: its start through a converter that keeps 88 %, at the 18 V that it takes in at least; four fifths of a rating for long.
    const { night, startUp } = demo.camera['c08']!.watts;
    const tenths = (volts: number, share: number): string =>
      (Math.ceil((10 * Math.max(night / 0.8, startUp)) / share / volts) / 10).toFixed(1);
    expect(fix.cautions).toContain(
      `The 24 V supply gives at least ${tenths(18, 0.88)} A, and the converter ${tenths(12.2, 1)} A at 12.2 V.`,
    );
  });

  it('by one setting that serves every camera on the box, whichever camera asks', () => {
    let tried = 0;
    for (const lengthM of [20, 25, 30, 35])
      for (const box of Object.values(demo.supply)) {
        const low: Site = {
          ...demo,
          supply: {
            ...demo.supply,
            [box.id]: { ...box, setVolts: 11.2, adjustable: { minVolts: 11, maxVolts: 14 } },
          },
          run: Object.fromEntries(
            Object.values(demo.run).map((run): [string, Fact<'run'>] => [
              run.id,
              {
                ...run,
                ...(run.feed.kind === 'separate-pair' ? { feed: { ...run.feed, lengthM } } : {}),
                segments: run.segments.map((one) => ({ ...one, lengthM })),
              },
            ]),
          ),
        };
        const onBox = ({ run: { feed } }: { run: Run }): boolean =>
          feed.kind !== 'local-adapter' && feed.supplyId === box.id;
        const trims = evaluateSite(low)
          .runs.filter(onBox)
          .flatMap((one) => {
            const fix = feasibleOption(one, 'power-fix');
            return fix?.margins.some(({ kind }) => kind === 'supply-setting') ? [fix] : [];
          });
        for (const fix of trims) {
          tried += 1;
          const { value: setVolts } = fix.margins.find(({ kind }) => kind === 'supply-setting')!;
          const set = { ...low.supply[box.id]!, setVolts };
          const done = evaluateSite({ ...low, supply: { ...low.supply, [box.id]: set } });
          for (const one of done.runs.filter(onBox)) {
            const volts = feasibleOption(one, 'keep')!
              .margins.filter(({ unit }) => unit === 'V')
              .map(({ kind, status }) => `${one.run.id} ${kind} ${status}`);
            expect(volts.filter((text) => text.endsWith('fails'))).toEqual([]);
          }
        }
      }
    expect(tried).toBeGreaterThan(10);
  });
});
