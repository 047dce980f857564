import { expect, it } from 'vitest';
import { siteGaps } from '#core/survey/gaps';
import { saltmarrowSite } from '../model/site/testSite';
import { restsOn } from '.';

const site = saltmarrowSite();
const walk = { tasks: [{ item: 'survey-route', count: 1 }] };
const none = { tasks: [{ item: 'pull-cable-start', count: 1 }] };

it('counts what there is and what is missing', () => {
  const gaps = siteGaps(site).length;
  const readings = Object.values(site.reading).filter(({ struck }) => !struck).length;
  expect(restsOn(site, [])).toMatch(
    new RegExp(`^${Object.keys(site.camera).length} cameras, ${readings} readings, ${gaps} gaps?, prices`),
  );
});
it('a site that nobody tested says so', () => {
  expect(restsOn({ ...site, reading: {} }, [])).toContain(', 0 readings, ');
});
it('a reading that was struck out, or is of a line that was changed since, does not count', () => {
  const [first, second] = Object.values(site.reading).filter(({ struck }) => !struck);
  const at = '2200-01-01T00:00:00Z';
  const struck = { ...first!, struck: { at, by: 'R. Tolland', why: 'wrong run' } };
  const one = { ...site, reading: { [second!.id]: second!, [first!.id]: struck } };
  expect(restsOn(one, [])).toContain(', 1 reading, ');
  const mended = {
    id: 'm',
    runId: second!.runId,
    at,
    by: 'R. Tolland',
    found: [],
    did: 'remade the joint',
    changedLine: true,
  };
  expect(restsOn({ ...one, mending: { m: mended } }, [])).toContain(', 0 readings, ');
});
it('tells routes that nobody has walked, and prices of its own', () => {
  expect(restsOn({ ...site, product: {} }, [walk, none, walk])).toMatch(
    /prices as shipped, 2 routes not surveyed$/,
  );
  const product = Object.fromEntries(Object.entries(site.product).slice(0, 1));
  if (Object.keys(product).length > 0)
    expect(restsOn({ ...site, product }, [none])).toMatch(/1 price of its own, the rest as shipped$/);
});
