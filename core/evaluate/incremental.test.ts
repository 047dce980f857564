import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  kinds,
  removing,
  type Change,
  type Fact,
  type Kind,
  type Site,
} from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite, summaryOf, type SiteEvaluation } from '.';

const demo = saltmarrowSite();

/** A site with every third run behind one lead of a box and every second camera where a radio path begins, so that much is shared. */
function crowded(site: Site): Site {
  const [supply] = Object.values(site.supply).filter(({ current }) => current === 'dc');
  const [path] = Object.values(site.radioPath);
  const run = Object.fromEntries(
    Object.values(site.run).map((one, index): [string, Fact<'run'>] => [
      one.id,
      one.feed.kind === 'local-adapter' || index % 3 > 0
        ? one
        : { ...one, feed: { ...one.feed, supplyId: supply!.id, output: supply!.outputs[0]!.number } },
    ]),
  );
  const camera = Object.fromEntries(
    Object.values(site.camera).map((one, index): [string, Fact<'camera'>] => [
      one.id,
      index % 2 === 0 ? { ...one, placeId: path!.fromPlaceId } : one,
    ]),
  );
  const lead = { cable: 'power-2x18-cu', outCores: 1, backCores: 1, lengthM: 4, temperatureC: 20 } as const;
  const outputs = supply!.outputs.map((output, index) => (index === 0 ? { ...output, lead } : output));
  return { ...site, run, camera, supply: { ...site.supply, [supply!.id]: { ...supply!, outputs } } };
}

/** A site where two cameras share nothing but a cable: neither box nor place. */
function inOneCable(site: Site): Site {
  const leg = { kind: 'spare-pairs', outCores: 1, backCores: 1 } as const;
  const thin = (one: Fact<'run'>): Fact<'run'> => ({
    ...one,
    segments: one.segments.map((segment) => ({ ...segment, cable: 'pair-cat5e', leg })),
  });
  const { r20, r22 } = site.run;
  const elsewhere = { ...site.camera['c22']!, placeId: site.camera['c01']!.placeId };
  const feed = { kind: 'local-adapter', current: 'dc', volts: 12, ratedAmps: 1 } as const;
  const members = ['r20', 'r22'].map((runId) => ({ runId, segment: 0 }));
  return {
    ...site,
    run: { ...site.run, r20: thin(r20!), r22: { ...thin(r22!), feed } },
    camera: { ...site.camera, c22: elsewhere },
    sheath: { shared: { id: 'shared', name: 'Cable of two', members } },
  };
}

/** The fact with one of its figures moved, which the schemas may or may not allow. */
function moved(value: unknown, factor: number, skip: { left: number }): unknown {
  if (typeof value === 'number') {
    skip.left -= 1;
    return skip.left === -1 ? Number((value * factor).toPrecision(6)) : value;
  }
  if (Array.isArray(value)) return value.map((one) => moved(one, factor, skip));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, moved(one, factor, skip)]));
}

const figuresIn = (value: unknown): number => {
  if (typeof value === 'number') return 1;
  if (value === null || typeof value !== 'object') return 0;
  return Object.values(value).reduce((sum: number, one) => sum + figuresIn(one), 0);
};

/** Changes of one fact: each of its figures moved a little, and the fact struck out or taken away. */
function changesOf(kind: Kind, id: string, fact: Fact<Kind>): Change[] {
  if (kind === 'reading') {
    const struck = { why: 'wrong lead', at: '2026-05-01T08:00:00Z', by: 'I. Marlow' };
    return [{ kind, id, set: { ...fact, struck } } as Change];
  }
  const figures = Array.from({ length: figuresIn(fact) }, (_, index) => index);
  return [
    removing(kind, id),
    ...figures.map((left) => ({ kind, id, set: moved(fact, 1.1, { left }) }) as Change),
  ];
}

/** Everything that a person could be shown of an evaluation. */
const shown = (evaluation: SiteEvaluation): string => JSON.stringify(summaryOf(evaluation));

/** Whether the change fits the site; where it does, what was taken over has to equal what is worked out anew. */
function holdsAfter(site: Site, before: SiteEvaluation, changes: Change[]): boolean {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') return false;
  const next = applied.value.site;
  expect(shown(evaluateSite(next, { site, evaluation: before }))).toBe(shown(evaluateSite(next)));
  return true;
}

describe('what is taken over from an earlier evaluation equals what is worked out anew', () => {
  const sites = { demo, crowded: crowded(demo) };
  for (const [name, site] of Object.entries(sites))
    describe(name, () => {
      const before = evaluateSite(site);
      for (const kind of kinds)
        it(`after any one ${kind} is changed or taken away`, () => {
          const facts = Object.values(site[kind]) as Fact<Kind>[];
          // Every fact is changed, each in another of its figures, and every third is taken away.
          const tried = facts.flatMap((fact, index) => {
            const [first, ...figures] = changesOf(kind, fact.id, fact);
            const figure = figures[(index * 5) % Math.max(1, figures.length)];
            return [...(figure && index % 3 > 0 ? [] : [first!]), ...(figure ? [figure] : [])];
          });
          const fitting = tried.filter((change) => holdsAfter(site, before, [change]));
          if (facts.length > 0 && kind !== 'about') expect(fitting.length).toBeGreaterThan(0);
        });
    });

  it('after a camera is renumbered that shares a cable, and nothing else, with another', () => {
    const site = inOneCable(demo);
    const set = { ...site.camera['c20']!, number: 40 };
    expect(holdsAfter(site, evaluateSite(site), [{ kind: 'camera', id: 'c20', set }])).toBe(true);
  });

  it('after several changes, one on top of the other', () => {
    const all = kinds.flatMap((kind) =>
      (Object.values(demo[kind]) as Fact<Kind>[]).flatMap((fact) => changesOf(kind, fact.id, fact)),
    );
    fc.assert(
      fc.property(fc.array(fc.nat(all.length - 1), { minLength: 2, maxLength: 6 }), (picked) => {
        let site = demo;
        let evaluation = evaluateSite(site);
        for (const index of picked) {
          const applied = applyChanges(site, [all[index]!]);
          if (applied.kind === 'refused') continue;
          const next = applied.value.site;
          evaluation = evaluateSite(next, { site, evaluation });
          site = next;
        }
        expect(shown(evaluation)).toBe(shown(evaluateSite(site)));
      }),
      { numRuns: 12, seed: 7 },
    );
  });
});
