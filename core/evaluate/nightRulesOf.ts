import { shiftMinutes, type NightRules } from '#core/cutover/nights';
import type { CutoverSettings, Site } from '#core/model/site';

/** Minutes at the end of a shift for whatever was taken back. */
const reserveMinutes = 30;

/** What the nights of a site are held to. */
export const nightRulesOf = (site: Pick<Site, 'viewRule'>, settings: CutoverSettings): NightRules => ({
  shiftMinutes: shiftMinutes(settings.shift),
  sureChance: settings.surePercent / 100,
  walkMinutes: settings.walkMinutes,
  mostDark: Object.values(site.viewRule).map(({ name, cameraIds, mostDark, exceptRestarts }) => ({
    name,
    views: cameraIds,
    most: mostDark,
    exceptRestarts: exceptRestarts ?? false,
  })),
  reserveMinutes,
});
