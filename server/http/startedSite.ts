import type { BodyOf, sites } from '#contract';
import { aboutOf, emptySite, type Firm, type Site } from '#core/model/site';
import { siteFromTemplate } from '#core/survey/templates';
import { notRight } from './refused';

function plainSite({ name, headEndName, template }: BodyOf<typeof sites.create>): Site {
  if (template === undefined) return emptySite(name, headEndName);
  const site = siteFromTemplate(template, name, headEndName);
  if (!site)
    throw notRight(422, 'There is no such template of a site.', [
      { path: 'template', value: template, allowed: 'a template that there is' },
    ]);
  return site;
}

/** A site as it is started: with nothing noted yet, or as sites of a kind usually are, and whose papers they are. */
export function startedSite(asked: BodyOf<typeof sites.create>, firm: Firm | null): Site {
  const site = plainSite(asked);
  return firm ? { ...site, about: { about: { ...aboutOf(site), firm } } } : site;
}
