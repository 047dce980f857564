import { text } from 'node:stream/consumers';
import loadHighs from 'highs';
import { planningInput, planSite } from '#core/decide/plan';
import { demandsOf, siteFromTrusted, type SiteFile } from '#core/model/site';

/** Plans the site on its standard input: a process of its own, so that the server answers others meanwhile. */
const { file, secondsMost } = JSON.parse(await text(process.stdin)) as {
  file: SiteFile;
  secondsMost: number;
};
const site = siteFromTrusted(file);
process.stdout.write(
  JSON.stringify(planSite(await loadHighs(), planningInput(site, demandsOf(site)), { secondsMost })),
);
