import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import type { Fact, Reading, Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import type { Option } from '.';

const full = saltmarrowSite();
const bare: Site = { ...full, reading: {}, mending: {}, choice: {} };
const mapped = <T>(facts: Readonly<Record<string, T>>, change: (fact: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(facts).map(([id, fact]) => [id, change(fact)]));
const withRuns = (site: Site, change: (run: Fact<'run'>) => Fact<'run'>): Site => ({
  ...site,
  run: mapped(site.run, change),
});

const stretched = (site: Site, factor: number): Site =>
  withRuns(site, (run) => ({
    ...run,
    feed: run.feed.kind === 'separate-pair' ? { ...run.feed, lengthM: run.feed.lengthM * factor } : run.feed,
    segments: run.segments.map((one) => ({ ...one, lengthM: one.lengthM * factor })),
  }));

/** A reading as a worse line would have given it. */
const worseReading: Partial<Record<Reading['test'], number>> = {
  'coax-loop-ohms': 1.3,
  'power-loop-ohms': 1.3,
  'insulation-megohms': 0.1,
  'shield-earth-volts': 3,
  'night-volts': 0.95,
};

const worsenings: Record<string, (site: Site) => Site> = {
  'longer runs': (site) => stretched(site, 1.2),
  'longer ways for new cable': (site) =>
    withRuns(site, (run) =>
      run.newRoute?.kind === 'open'
        ? { ...run, newRoute: { ...run.newRoute, lengthM: run.newRoute.lengthM * 1.3 } }
        : run,
    ),
  'hotter cables': (site) =>
    withRuns(site, (run) => ({
      ...run,
      segments: run.segments.map((one) => ({ ...one, temperatureC: one.temperatureC + 15 })),
    })),
  'joints that nobody made well': (site) =>
    withRuns(site, (run) => ({
      ...run,
      segments: run.segments.map((one, index) =>
        index === 0 ? one : { ...one, joint: 'screw-terminal' as const },
      ),
    })),
  'hungrier cameras': (site) => ({
    ...site,
    camera: mapped(site.camera, ({ watts: { day, night, startUp, ...watts }, ...camera }) => ({
      ...camera,
      watts: { ...watts, day: day * 1.3, night: night * 1.3, startUp: startUp * 1.3 },
    })),
  }),
  'farther targets': (site) => ({
    ...site,
    camera: mapped(site.camera, (camera) => ({
      ...camera,
      ...(camera.targetM === undefined ? {} : { targetM: camera.targetM * 1.3 }),
    })),
  }),
  'readings of a worse line': (site) => ({
    ...site,
    reading: mapped(site.reading, (reading) => {
      const factor = worseReading[reading.test];
      return factor !== undefined && 'value' in reading && typeof reading.value === 'number'
        ? ({ ...reading, value: reading.value * factor } as Reading)
        : reading;
    }),
  }),
  'sea air': (site) => ({
    ...site,
    place: mapped(site.place, (place) => ({ ...place, environment: 'marine' as const })),
  }),
  'no mains at the cameras': (site) => {
    const heads = new Set(Object.values(site.run).map(({ headEndId }) => headEndId));
    return {
      ...site,
      place: mapped(site.place, (place) => ({ ...place, mains: heads.has(place.id) && place.mains })),
    };
  },
  'longer ways by radio': (site) => ({
    ...site,
    radioPath: mapped(site.radioPath, (path) => ({ ...path, distanceM: path.distanceM * 2 })),
  }),
};

const rank = { holds: 0, close: 1, fails: 2, no: 3 } as const;
/** They mend what is bad: where nothing is, there is nothing for them to do. */
const mending = new Set(['power-fix', 'mend-line']);
/** Where the coax no longer brings enough for both, a heater stays where it is, which is another way of doing it. */
const leavesHeater = (option: Option): boolean =>
  option.state !== 'no' && option.message.includes('heater stays');

const sites = {
  'a site as it was read': full,
  'one that nobody read': bare,
  'one of short runs': stretched(bare, 0.4),
  'one of long runs': stretched(bare, 1.7),
};

describe.each(Object.entries(sites))('on %s', (_, site) => {
  const before = evaluateSite(site).runs;
  it.each(Object.entries(worsenings))('%s make no option better', (_name, worsen) => {
    const after = new Map(evaluateSite(worsen(site)).runs.map((one) => [one.run.id, one.options]));
    const better = before.flatMap(({ run, options }) =>
      options.flatMap((option, index) => {
        const then = after.get(run.id)![index]!;
        const isOther = mending.has(option.kind) || (leavesHeater(then) && !leavesHeater(option));
        return !isOther && rank[then.state] < rank[option.state]
          ? [`${run.id} ${option.kind}: ${option.state}, then ${then.state}`]
          : [];
      }),
    );
    expect(better).toEqual([]);
  });
});
