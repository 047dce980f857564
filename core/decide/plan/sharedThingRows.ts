import { catalogueOf } from '#core/model/catalogue';
import { unitCostOf, unitsFor, type SharedThing } from '#core/decide/options';
import type { Site } from '#core/model/site';
import type { PlanDraft } from './planDraft';
import type { PlanPick, ThingCount } from './types';

interface Taker {
  pick: PlanPick;
  need: number;
  port: SharedThing['port'];
}

/** Everything that the picks share beside ports, by its key, with who would take how much of it. */
function takersOf(picks: readonly PlanPick[]): Map<string, { thing: SharedThing; takers: Taker[] }> {
  const things = new Map<string, { thing: SharedThing; takers: Taker[] }>();
  for (const pick of picks)
    for (const thing of pick.candidate.option.sharing) {
      const known = things.get(thing.key);
      if (known) known.takers.push({ pick, need: thing.need, port: thing.port });
      else things.set(thing.key, { thing, takers: [{ pick, need: thing.need, port: thing.port }] });
    }
  return things;
}

/** Units of every thing that picks share: a lift's half-days, a route, a fibre, a pair of radios, each counted once for all. */
export function sharedThingRows(draft: PlanDraft, site: Site, picks: readonly PlanPick[]): ThingCount[] {
  const catalogue = catalogueOf(site);
  return [...takersOf(picks)].map(([key, { thing, takers }]): ThingCount => {
    const unit = unitCostOf(catalogue, thing);
    const most = unitsFor(
      thing,
      takers.reduce((sum, { need }) => sum + need, 0),
    );
    const variable = draft.variable(key, Math.max(1, most), unit.cost);
    const terms = takers.map(({ pick, need }) => ({ variable: pick.variable, by: need }));
    // One unit serves all: each pick by itself asks for it, which is tighter than their sum.
    if (thing.capacity !== 'all')
      draft.row(key, [...terms, { variable, by: -thing.capacity }], '<=', thing.free);
    else
      for (const term of terms)
        draft.row(`${key} for ${term.variable}`, [term, { variable, by: -term.by }], '<=', 0);
    const sent = takers.map(({ pick, port }) => ({ variable: pick.variable, by: port?.mbps ?? 0 }));
    const { port, way } = thing;
    return {
      key,
      unit,
      variable,
      port: port && { placeId: port.placeId, sent },
      intoPlaceId: way?.intoPlaceId,
    };
  });
}
