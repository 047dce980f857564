import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { productOf, catalogueOf, labourRateOf } from '#core/model/catalogue';
import {
  applyChanges,
  offerSettingsId,
  offerSettingsOf,
  optionRow,
  withChanges,
  type GivenOffer,
  type OfferSettings,
  type OptionKind,
  type Site,
} from '#core/model/site';
import { totalOf, type FeasibleOption } from '#core/decide/options';
import { evaluateRuns, type RunEvaluation } from '#core/decide/runEvaluation';
import { saltmarrowSite } from '../../model/site/testSite';
import { acceptOffer, changesSince, giveOffer, offerOf, otherWays, type Offer } from '.';
import { apportioned } from './offerOf';

const given = { by: 'R. Tolland', at: '2026-03-12T09:00:00Z' };

/** The demo with the first option that holds chosen for every camera. */
function decided(): Site {
  const site = saltmarrowSite();
  const runs = evaluateRuns(site);
  const choice = Object.fromEntries(
    runs.flatMap(({ camera, options }) => {
      const option = options.find(({ state, kind }) => state === 'holds' && kind !== 'retire');
      return option ? [[camera.id, { id: camera.id, option: option.kind, ...given }] as const] : [];
    }),
  );
  return { ...site, choice };
}

const settled = (site: Site, more: Partial<OfferSettings>): Site =>
  withChanges(site, [
    { kind: 'offerSettings', id: offerSettingsId, set: { ...offerSettingsOf(site), ...more } },
  ]);

let site: Site;
let runs: RunEvaluation[];
let offer: Offer;
beforeAll(() => {
  site = decided();
  runs = evaluateRuns(site);
  offer = offerOf(site, runs);
});

const chosen = (): FeasibleOption[] =>
  runs.flatMap(({ options, chosen: kind }) =>
    options.filter((one): one is FeasibleOption => one.kind === kind && one.state !== 'no'),
  );
const bare: Partial<OfferSettings> = {
  margins: { cameras: 0, gear: 0, recorders: 0, material: 0, hire: 0, labour: 0 },
  heightPercent: 0,
  accessPercent: 0,
  engineeringHours: 0,
  commissioningHoursEach: 0,
  documentHours: 0,
  trainingHours: 0,
  managementPercent: 0,
  travel: { visits: 0, each: 0 },
};
const sumOf = (of: Offer, group: string): number =>
  of.lines.filter((line) => line.group === group).reduce((sum, { cost }) => sum + cost, 0);

describe('an offer', () => {
  it('is without margins and services what the plan costs, shared things once', () => {
    const cost = offerOf(settled(site, bare), runs);
    const total = totalOf(site, chosen());
    const parts = total.cost - total.labourCost;
    expect(sumOf(cost, 'parts') + sumOf(cost, 'hire')).toBeGreaterThan(parts - runs.length - 5);
    expect(sumOf(cost, 'parts') + sumOf(cost, 'hire')).toBeLessThan(parts + runs.length + 5);
    expect(Math.abs(sumOf(cost, 'labour') - total.labourCost)).toBeLessThan(runs.length + 5);
  });

  it('adds its lines up, and its views and payments too', () => {
    const prices = offer.lines.reduce((sum, { price }) => sum + price, 0);
    expect(offer.net).toBe(prices);
    expect(offer.views.reduce((sum, { price }) => sum + price, 0)).toBe(offer.net);
    expect(offer.payments.reduce((sum, { amount }) => sum + amount, 0)).toBe(offer.gross);
    expect(offer.gross).toBe(offer.net + offer.tax);
    expect(offer.tax).toBe(Math.round(offer.net * 0.2));
  });

  it('puts each margin on its own class', () => {
    const dearer = offerOf(settled(site, { margins: { ...offer.settings.margins, cameras: 100 } }), runs);
    const cameras = (of: Offer) => of.lines.find(({ id }) => id === 'cameras')!;
    expect(cameras(dearer).price).toBe(Math.round(2 * cameras(dearer).cost));
    expect(dearer.net - offer.net).toBe(cameras(dearer).price - cameras(offer).price);
  });

  it('adds for height what the hours at cameras above the ground come to', () => {
    const catalogue = catalogueOf(site);
    const { day, night } = labourRateOf(catalogue);
    const byHand = runs
      .filter(({ camera }) => site.place[camera.placeId]!.access.by !== 'ground')
      .flatMap(({ options, chosen: kind }) => options.filter((one) => one.kind === kind))
      .flatMap((option) => (option.state === 'no' ? [] : option.tasks))
      .reduce((sum, { item, count }) => {
        const task = productOf(catalogue, item, 'task');
        return task.where === undefined
          ? sum + count * ((task.hours - task.darkHours) * day + task.darkHours * night)
          : sum;
      }, 0);
    expect(offer.lines.find(({ id }) => id === 'height')!.cost).toBeCloseTo(byHand / 10, 6);
  });

  it('is not given without a rate, nor by nobody, nor called final without a word on what it rests on', () => {
    const giving = { preparedBy: 'M. Ash', isFinal: false, saying: '', ...given, mark: 'm' };
    const labour = { ...catalogueOf(site).products.get('labour')!, each: null } as never;
    const unpaid = withChanges(site, [{ kind: 'product', id: 'labour', set: labour }]);
    expect(giveOffer(site, offerOf(unpaid, evaluateRuns(unpaid)), giving)).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('Labour has no rate')],
    });
    expect(giveOffer(site, offer, { ...giving, preparedBy: '  ' })).toMatchObject({
      ok: false,
      problems: ['Enter who prepared it: it stands on the paper.'],
    });
    expect(offer.premises.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['price', 'run']));
    expect(giveOffer(site, offer, { ...giving, isFinal: true }).ok).toBe(false);
    expect(giveOffer(site, offer, { ...giving, isFinal: true, saying: 'Subject to tests.' }).ok).toBe(true);
  });

  it('stays as it was given, is numbered on, and says what changed since', () => {
    const giving = { preparedBy: 'M. Ash', isFinal: false, saying: '', ...given, mark: 'm' };
    const first = giveOffer(site, offer, giving);
    if (!first.ok) throw new Error(first.problems.join(' '));
    const once = withChanges(site, [first.change]);
    const dearer = offerOf(settled(once, { travel: { visits: 20, each: 60 } }), runs);
    const second = giveOffer(once, dearer, giving);
    if (!second.ok) throw new Error(second.problems.join(' '));
    const twice = withChanges(once, [second.change]);
    const [one, two] = Object.values(twice.givenOffer).sort((a, b) => a.number - b.number) as [
      GivenOffer,
      GivenOffer,
    ];
    expect(two.number).toBe(2);
    expect(changesSince(one, two)).toEqual([{ label: 'Travel', before: 720, now: 1200 }]);
    expect(changesSince(two, two)).toEqual([]);
    expect(one.validUntil).toBe('2026-05-11');
    const yes = acceptOffer(two, { name: 'J. Holm', ...given });
    expect(applyChanges(twice, [yes]).kind).toBe('sound');
    const changed = { ...two, net: 1 };
    expect(applyChanges(twice, [{ kind: 'givenOffer', id: two.id, set: changed }]).kind).toBe('refused');
  });

  it('offers pinned plans by their difference', () => {
    const other: Record<string, OptionKind> = Object.fromEntries(
      runs.map(({ camera, chosen: kind }) => [camera.id, kind!]),
    );
    const [first] = runs;
    const instead = first!.options.find(({ state, kind }) => state !== 'no' && kind !== first!.chosen)!;
    other[first!.camera.id] = instead.kind;
    const plan = {
      id: 'other',
      name: 'Other',
      ...given,
      pinned: true,
      options: other,
      demands: { ...site.demands['demands']! },
      buys: [],
      proof: { kind: 'by-hand' as const },
    };
    const beside = settled({ ...site, savedPlan: { other: plan } }, { alternateIds: ['other'] });
    const [alternate] = offerOf(beside, runs).alternates;
    expect(alternate!.differs.map(({ number }) => number)).toEqual([first!.camera.number]);
    const carried: Site = {
      ...settled(beside, { alternateIds: [] }),
      choice: {
        ...site.choice,
        [first!.camera.id]: { id: first!.camera.id, option: instead.kind, ...given },
      },
    };
    expect(alternate!.net).toBe(offerOf(carried, evaluateRuns(carried)).net);
    expect(alternate!.difference).toBe(alternate!.net - offer.net);
  });
});

describe('what is kept for what is not known', () => {
  it('is never less with more that is not tested, and each release is part of it', () => {
    const { median, reserve, releases } = offer.contingency;
    expect(median).toBeGreaterThanOrEqual(0);
    expect(reserve).toBeGreaterThanOrEqual(0);
    for (const { amount, test } of releases) {
      expect(amount).toBeGreaterThan(0);
      expect(amount).toBeLessThanOrEqual(median + reserve);
      expect(test).not.toBeNull();
    }
  });
});

describe('a sum cut by weights', () => {
  it('is the sum again, and no part is off by one or more', () => {
    fc.assert(
      fc.property(
        fc.nat(1_000_000),
        fc.array(fc.nat(1000), { minLength: 1, maxLength: 40 }),
        (sum, weights) => {
          const all = weights.reduce((total, weight) => total + weight, 0);
          fc.pre(all > 0);
          const parts = apportioned(sum, weights);
          expect(parts.reduce((total, part) => total + part, 0)).toBe(sum);
          parts.forEach((part, k) => expect(Math.abs(part - (sum * weights[k]!) / all)).toBeLessThan(1));
        },
      ),
    );
  });
});

describe('other ways for a view', () => {
  const beforeReserve = ({ lines }: Offer): number =>
    lines.filter(({ group }) => group !== 'contingency').reduce((sum, { price }) => sum + price, 0);
  it('differ by what the whole offer differs when that one view is chosen so', () => {
    const ways = otherWays(site, runs);
    expect(new Set(ways.map(({ number }) => number)).size).toBeGreaterThan(10);
    for (const way of ways.filter((_, k) => k % 20 === 0)) {
      const run = runs.find(({ camera }) => camera.number === way.number)!;
      const option = run.options.find(({ kind }) => optionRow(kind).label === way.becomes)!;
      expect(['holds', 'close']).toContain(option.state);
      const { id } = run.camera;
      const chosenSo = withChanges(site, [
        { kind: 'choice', id, set: { id, option: option.kind, ...given } },
      ]);
      const other = offerOf(chosenSo, evaluateRuns(chosenSo));
      expect(beforeReserve(other) - beforeReserve(offer)).toBe(way.difference);
    }
  });
  it('give no view up, fail nowhere, and are the three nearest in price at most', () => {
    const ways = otherWays(site, runs);
    for (const { camera, chosen: kind } of runs) {
      const mine = ways.filter(({ number }) => number === camera.number);
      expect(mine.length).toBeLessThanOrEqual(3);
      expect(mine.map(({ becomes }) => becomes)).not.toContain(optionRow('retire').label);
      if (kind) expect(mine.map(({ becomes }) => becomes)).not.toContain(optionRow(kind).label);
      const sizes = mine.map(({ difference }) => Math.abs(difference));
      expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
    }
  });
});
