import { shiftMinutes, type NightRules } from '#core/cutover/nights';
import type { CutoverSettings, Site } from '#core/model/site';

/** Minutes at the end of a shift for whatever was taken back. */
const reserveMinutes = 30;

/** How much the minutes of each view count: as much as the rule says that values it most. */
function weightsOf({ viewRule }: Pick<Site, 'viewRule'>): Record<string, number> {
  const weights: Record<string, number> = {};
  for (const { cameraIds, weight = 1 } of Object.values(viewRule))
    for (const id of cameraIds) weights[id] = Math.max(weight, weights[id] ?? 1);
  return weights;
}

/** What the nights of a site are held to. */
export const nightRulesOf = (site: Pick<Site, 'viewRule'>, settings: CutoverSettings): NightRules => ({
  shiftMinutes: shiftMinutes(settings.shift),
  sureChance: settings.surePercent / 100,
  walkMinutes: settings.walkMinutes,
  mostDark: Object.values(site.viewRule).flatMap(({ name, cameraIds, mostDark, exceptRestarts, coverId }) => {
    const rule = { name, views: cameraIds, most: mostDark, exceptRestarts: exceptRestarts ?? false };
    // Each view is watched by its cover, or the cover by it.
    const covers =
      coverId === undefined ? [] : cameraIds.map((id) => ({ ...rule, views: [id, coverId], most: 1 }));
    return [rule, ...covers];
  }),
  weights: weightsOf(site),
  reserveMinutes,
});
