import { describe, expect, it } from 'vitest';
import { parseSiteFile, toSiteFile } from '#core/model/site';
import { siteGaps } from '#core/survey/gaps';
import { siteFromTemplate, siteTemplates } from '.';

describe.each(siteTemplates.map((template) => [template.id, template] as const))(
  'the template %s',
  (id, template) => {
    const site = siteFromTemplate(id, 'Saltmarrow annex', 'Annex office')!;
    it('is a sound site file, which comes in again without a difference', () => {
      const read = parseSiteFile(JSON.stringify(toSiteFile(site)));
      if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems.slice(0, 3)));
      expect(toSiteFile(read.value)).toEqual(toSiteFile(site));
    });
    it('has the cameras that it says, each with a run and a number of its own', () => {
      const said = Number(/(\d+) cameras/.exec(template.about)![1]);
      expect(Object.keys(site.camera)).toHaveLength(said);
      expect(Object.keys(site.run)).toHaveLength(said);
      expect(new Set(Object.values(site.camera).map(({ number }) => number)).size).toBe(said);
      expect(said).toBeLessThanOrEqual(template.inputs);
    });
    it('has looked at nothing: every place, camera and length is assumed, and asked for', () => {
      const places = Object.values(site.place).filter(({ id: one }) => one !== 'head-end');
      expect(places.every(({ assumed }) => assumed)).toBe(true);
      expect(Object.values(site.camera).every(({ assumed }) => (assumed ?? []).length > 0)).toBe(true);
      for (const { segments } of Object.values(site.run))
        expect(segments.every(({ assumed }) => assumed?.includes('lengthM'))).toBe(true);
      const gaps = siteGaps(site);
      for (const cameraId of Object.keys(site.camera))
        expect(gaps.some((gap) => gap.cameraId === cameraId && gap.before === 'test')).toBe(true);
    });
  },
);

it('there is no template of another name', () => {
  expect(siteFromTemplate('castle', 'x', 'y')).toBeNull();
});
