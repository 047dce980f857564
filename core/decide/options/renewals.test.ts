import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { catalogueOf, eachOf, labourRateOf, productOf } from '#core/model/catalogue';
import type { OptionKind } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { renewalsOf, type FeasibleOption } from '.';

const site = saltmarrowSite();
const catalogue = catalogueOf(site);
const { runs } = evaluateSite(site);

function option(number: number, kind: OptionKind): FeasibleOption {
  const found = runs
    .find(({ camera }) => camera.number === number)!
    .options.find((one) => one.kind === kind)!;
  if (found.state === 'no') throw new Error(found.why);
  return found;
}
const each = (item: string): number => eachOf(catalogue.products.get(item)!)!;
const labour = (...tasks: string[]): number => {
  const { day, night } = labourRateOf(catalogue);
  const done = tasks.map((item) => productOf(catalogue, item, 'task'));
  const [hours, dark] = [
    done.reduce((sum, task) => sum + task.hours, 0),
    done.reduce((sum, task) => sum + task.darkHours, 0),
  ];
  return Math.round((hours - dark) * day + dark * night);
};

describe('what falls due within the years', () => {
  const due = (years: number, lifeYears: number, successorYears: number) =>
    renewalsOf({ lifeYears, successorYears, renewCost: 1 }, years);
  // A kept camera goes in its 3rd year, and the ones after it every 7.
  it.each([
    [1, 0],
    [3, 0],
    [4, 1],
    [10, 1],
    [11, 2],
    [17, 2],
    [18, 3],
  ])('of a kept camera within %i years: %i successors, each with its own life', (years, count) => {
    expect(due(years, 3, 7)).toBe(count);
    // The same, told year by year.
    let turns = 0;
    for (let at = 3; at < years; at += 7) turns += 1;
    expect(turns).toBe(count);
  });
});

describe('what a successor costs', () => {
  it('after a kept camera indoors: one like it, swapped, and the old one taken away', () => {
    const kept = option(1, 'keep');
    const hd = productOf(
      catalogue,
      option(1, 'hd-coax').parts.find(({ item }) => item.startsWith('hd-'))!.item,
      'camera',
    );
    expect(kept.successorYears).toBe(7);
    expect(kept.renewCost).toBe(
      Math.round(each(hd.id) + each('disposal')) +
        labour('configure-hd-camera', 'swap-hd-camera', 'commission-camera', 'ladder'),
    );
  });
  it('counts the way up: the lift of a mast is there again', () => {
    const place = site.place[site.camera['c14']!.placeId]!;
    expect(place.access.by).toBe('lift');
    const atMast = option(14, 'keep');
    const onGround = evaluateSite({
      ...site,
      place: { ...site.place, [place.id]: { ...place, access: { by: 'ground', heightM: 2 } } },
    })
      .runs.find(({ camera }) => camera.number === 14)!
      .options.find(({ kind }) => kind === 'keep') as FeasibleOption;
    expect(atMast.renewCost).toBeGreaterThan(onGround.renewCost + labour('lift-or-rope'));
  });
  it('leaves the way of the cable, and nothing is due where the view is given up', () => {
    const fresh = option(21, 'new-category');
    const way = fresh.parts.filter(({ item }) => item.startsWith('category-cable'));
    expect(way.length).toBeGreaterThan(0);
    expect(fresh.renewCost).toBeLessThan(fresh.ownCost);
    expect([fresh.successorYears, renewalsOf(fresh, 10)]).toEqual([9, fresh.renewCost]);
  });
});
