import { catalogueOf, productOf } from '#core/model/catalogue';
import {
  freeRackUnits,
  inSettling,
  levelsOf,
  portsThere,
  unitSizes,
  type LeadRule,
} from '#core/decide/options';
import type { Site } from '#core/model/site';
import { askedOf, sumOf, type Asked } from './asked';
import { leadRow, mostJoined, type Beside } from './leadRow';
import type { PlanDraft } from './planDraft';
import type { PlanPick, RecorderBuy, ThingCount, UnitCount } from './types';

const measures = ['ports', 'watts', 'mbps'] as const;

/** Units of every size for what is asked of one kind at one place: in all, and by how strong each port has to be. */
function unitRows(
  draft: PlanDraft,
  site: Site,
  asked: Asked,
  rules: readonly LeadRule[],
  beside: Beside,
): UnitCount[] {
  const { of, placeId, strong } = asked;
  const there = portsThere(site, of, placeId);
  const joined = mostJoined(asked, rules, beside);
  const units = unitSizes(catalogueOf(site), of).map((size): UnitCount => ({
    placeId,
    size,
    variable: draft.variable(
      `${size.item} at ${placeId}`,
      Math.max(
        1,
        ...measures.map((measure) =>
          size[measure] > 0 ? Math.ceil(sumOf(asked[measure]) / size[measure]) : 0,
        ),
        size.ports > 1 ? Math.ceil(joined / (size.ports - 1)) : 0,
      ),
      size.each,
    ),
  }));
  for (const measure of measures)
    draft.row(
      `${of} ${measure} at ${placeId}`,
      [...asked[measure], ...units.map(({ size, variable }) => ({ variable, by: -size[measure] }))],
      '<=',
      there[measure],
    );
  for (const rule of rules) leadRow(draft, asked, rule, units, { ...beside, portsThere: there.ports });
  // Where gear without power has a way on of its own, that is none for cameras that are fed.
  if (there.fedMbps < there.mbps)
    draft.row(
      `${of} Mb/s of fed ports at ${placeId}`,
      [...asked.fedMbps, ...units.map(({ size, variable }) => ({ variable, by: -size.mbps }))],
      '<=',
      there.fedMbps,
    );
  const weakest = Math.min(
    ...units.map(({ size }) => size.portWatts),
    ...there.levels.map(({ watts }) => watts),
  );
  for (const watts of new Set(strong.map((one) => one.watts))) {
    // Where every port gives as much, the row of all ports says the same.
    if (watts <= weakest) continue;
    draft.row(
      `${of} ports of ${watts} W at ${placeId}`,
      [
        ...strong.filter((one) => one.watts >= watts).map(({ variable }) => ({ variable, by: 1 })),
        ...units
          .filter(({ size }) => size.portWatts >= watts)
          .map(({ size, variable }) => ({ variable, by: -size.ports })),
      ],
      '<=',
      levelsOf(there.levels, [watts])[0]!.ports,
    );
  }
  return units;
}

/** Units of every size for what the picks at each place share: ports, watts and uplink, and the room in its rack. */
export function sharedRows(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
  things: readonly ThingCount[],
  buys: readonly RecorderBuy[],
): UnitCount[] {
  const catalogue = catalogueOf(site);
  const counts: UnitCount[] = [];
  const most = ({ variable }: { variable: number }): number => draft.programme.variables[variable]!.most;
  for (const { asked, rules } of inSettling(site, askedOf(picks, things))) {
    const joining = [
      ...counts.filter(({ placeId }) => placeId === asked.placeId),
      ...buys.filter(({ placeId }) => placeId === asked.placeId),
      ...things.filter(({ intoPlaceId }) => intoPlaceId === asked.placeId),
    ];
    counts.push(
      ...unitRows(draft, site, asked, rules, {
        terms: joining.map(({ variable }) => ({ variable, by: 1 })),
        most: joining.reduce((sum, one) => sum + most(one), 0),
      }),
    );
  }
  const placeIds = [...counts, ...buys].map(({ placeId }) => placeId);
  for (const placeId of new Set(placeIds)) {
    const room = freeRackUnits(site, placeId);
    if (room === null) continue;
    draft.row(
      `rack at ${placeId}`,
      [
        ...counts
          .filter((count) => count.placeId === placeId)
          .map(({ size, variable }) => ({ variable, by: size.rackUnits })),
        ...buys
          .filter((buy) => buy.placeId === placeId)
          .map(({ productId, variable }) => ({
            variable,
            by: productOf(catalogue, productId, 'recorder').rackUnits,
          })),
      ],
      '<=',
      Math.max(0, room),
      { kind: 'rack', placeId },
    );
  }
  return counts;
}
