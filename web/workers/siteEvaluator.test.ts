import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../core/model/site/testSite';
import { toSiteFile, type Site } from '#core/model/site';
import type { OpenedSite } from './openedSite';
import { siteEvaluator } from './siteEvaluator';

const served = (site: Site): OpenedSite => ({
  answer: JSON.stringify({ id: 'saltmarrow', version: 3, file: toSiteFile(site), log: [] }),
  keptAt: null,
});
/** The same site with fewer runs, which is told apart by how many there are. */
const smaller = (site: Site): Site => ({
  ...site,
  run: Object.fromEntries(Object.entries(site.run).slice(0, 3)),
  reading: {},
  photo: {},
  sheath: {},
});
const runsIn = (news: string) => (JSON.parse(news) as { order: string[] }).order.length;

// One thread, as a page has one: what was opened in it stays open from test to test.
describe('the thread of a page that was opened at a site', () => {
  it('has nothing to work out where the site cannot be had', async () => {
    const thread = siteEvaluator(Promise.resolve(null));
    await expect(thread.openOpened()).rejects.toThrow('no site');
    expect(await thread.opened()).toBeNull();
    expect(() => thread.everything()).toThrow('no site is open');
  });

  it('works the site out as it came', async () => {
    const site = saltmarrowSite();
    const thread = siteEvaluator(Promise.resolve(served(site)));
    expect(runsIn(await thread.openOpened())).toBe(Object.keys(site.run).length);
    expect((await thread.opened())?.keptAt).toBeNull();
    expect(runsIn(thread.everything())).toBe(Object.keys(site.run).length);
  });

  it('leaves it where the page has gone on to another before it came', async () => {
    const site = saltmarrowSite();
    let arrive: (site: OpenedSite) => void = () => undefined;
    const thread = siteEvaluator(new Promise((resolve) => (arrive = resolve)));
    const early = thread.openOpened();
    expect(runsIn(thread.open(JSON.stringify(smaller(site))))).toBe(3);
    arrive(served(site));
    await expect(early).rejects.toThrow('another site is open');
    expect(runsIn(thread.everything())).toBe(3);
  });
});
