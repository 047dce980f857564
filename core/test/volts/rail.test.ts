import { describe, expect, it } from 'vitest';
import type { Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import { powerFixes, railAt } from '.';

const site = saltmarrowUnshared();
const rail = (volts: number, of: Site = site, id = 'marshalling-box') => railAt(of, of.supply[id]!, volts);
const camera = (volts: number, number: number) => rail(volts).cameras.find((one) => one.number === number)!;

describe('a supply box as one rail', () => {
  it('shows every camera that hangs on it, each higher by day than by night', () => {
    const { cameras } = rail(13.2);
    expect(cameras.map(({ number }) => number)).toEqual([6, 7, 8, 9, 10, 11]);
    for (const { idleVolts, nightVolts } of cameras) expect(idleVolts).toBeGreaterThan(nightVolts);
  });
  it('trimmed for the farthest camera it would harm the nearest, and says so', () => {
    // The weighbridge needs 10.8 + 9.2·4.2/10.8 = 14.4 V; the office door bears little more than its 13.2 V.
    const { message, lowest, highest } = rail(13.2);
    expect(lowest).toMatchObject({
      number: 8,
      volts: expect.closeTo(10.8 + (9.2 * 4.2) / 10.8, 1) as number,
    });
    expect(highest).toMatchObject({ number: 11 });
    expect(highest!.volts).toBeLessThan(13.6);
    expect(message).toMatch(
      /^No setting serves all: camera 8 needs 14\.4 V, camera 11 bears at most 13\.3 V\. Feed camera 8 another way\.$/,
    );
    expect(camera(14.4, 11).status).toBe('fails');
    expect(camera(14.5, 8).nightVolts).toBeGreaterThanOrEqual(10.8);
  });
  it('with the farthest camera fed another way, a range is left', () => {
    const { r08: _, ...others } = site.run;
    const without = rail(13.2, { ...site, run: others });
    expect(without.message).toMatch(/between \d+\.\d V \(camera \d+\) and 13\.3 V \(camera 11\)/);
    expect(without.lowest!.volts).toBeLessThan(without.highest!.volts);
  });
  it('the box’s own range counts, and one with nothing on it says so', () => {
    const box = site.supply['hall-box']!;
    const narrow: Site = {
      ...site,
      supply: {
        ...site.supply,
        'hall-box': { ...box, setVolts: 11, adjustable: { minVolts: 10, maxVolts: 11.2 } },
      },
    };
    expect(rail(11, narrow, 'hall-box').message).toMatch(/the box gives at most 11\.2 V/);
    expect(rail(12, { ...site, run: {} }).message).toBe('No camera hangs on it.');
  });
});

describe('what if the power came another way', () => {
  const fixes = (id: string) => powerFixes(site, site.run[id]!, site.camera[site.run[id]!.cameraId]!, {});
  const fix = (id: string, kind: string) => fixes(id).find((one) => one.kind === kind)!;
  it('the weighbridge starves as it is, and is served by each of the others', () => {
    expect(fix('r08', 'as-is')).toMatchObject({ status: 'fails' });
    expect(fix('r08', 'as-is').nightVolts).toBeCloseTo(8.8, 0);
    // A second pair halves the loop: (13.2 + √(13.2² − 4·4.53·4.2))/2.
    expect(fix('r08', 'parallel-cores').nightVolts).toBeCloseTo(
      (13.2 + Math.sqrt(13.2 ** 2 - 4 * 4.53 * 4.2)) / 2,
      1,
    );
    for (const kind of ['parallel-cores', 'local-adapter', 'step-up'])
      expect(fix('r08', kind).status).not.toBe('fails');
  });
  it('heavier cores are the next two usual sizes, each better than the one before', () => {
    const heavier = fixes('r08').filter(({ kind }) => kind === 'heavier-cores');
    expect(heavier.map(({ label }) => label)).toEqual(['Cores of 1.5 mm² copper', 'Cores of 2.5 mm² copper']);
    expect(heavier[1]!.nightVolts).toBeGreaterThan(heavier[0]!.nightVolts);
  });
  it('heavier cores are one out and one back, however many of the old ones are used', () => {
    const run = site.run['r08']!;
    const volts = (cable: string, cores: number, asked: string): number =>
      powerFixes(
        site,
        {
          ...run,
          segments: run.segments.map((one) => ({
            ...one,
            leg: { kind: 'cores' as const, cable, outCores: cores, backCores: cores },
          })),
        },
        site.camera[run.cameraId]!,
        {},
      ).find(({ label }) => label === asked)!.nightVolts;
    expect(volts('power-4x22-cu', 2, 'Cores of 1 mm² copper')).toBeCloseTo(
      volts('power-2x1.0-cu', 1, 'As it is'),
      6,
    );
  });
  it('no step-up for a 24 V AC camera, and nothing for one with an adapter', () => {
    expect(fixes('r13').map(({ kind }) => kind)).not.toContain('step-up');
    expect(fixes('r23')).toEqual([]);
  });
  it('spare pairs have no heavier sister', () =>
    expect(fixes('r20').map(({ kind }) => kind)).toEqual([
      'as-is',
      'parallel-cores',
      'local-adapter',
      'step-up',
    ]));
});
