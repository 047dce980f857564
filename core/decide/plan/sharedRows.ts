import { catalogueOf } from '#core/model/catalogue';
import { freeRackUnits, levelsOf, portsThere, unitSizes, type SharedPort } from '#core/decide/options';
import type { Term } from '#core/solver';
import type { Site } from '#core/model/site';
import type { PlanDraft } from './planDraft';
import type { PlanPick, ThingCount, UnitCount } from './types';

/** Ports, watts and Mb/s that options would take of the equipment of one kind at one place, as terms. */
interface Asked {
  of: SharedPort['of'];
  placeId: string;
  ports: Term[];
  watts: Term[];
  mbps: Term[];
  /** What each asks of its own port. */
  strong: { watts: number; variable: number }[];
}
const measures = ['ports', 'watts', 'mbps'] as const;

/** What the picks ask for, by kind and place; a thing that several share takes one port for all of them. */
function askedOf(picks: readonly PlanPick[], things: readonly ThingCount[]): Asked[] {
  const groups = new Map<string, Asked>();
  const at = (of: SharedPort['of'], placeId: string): Asked => {
    const key = `${of} ${placeId}`;
    const asked = groups.get(key) ?? { of, placeId, ports: [], watts: [], mbps: [], strong: [] };
    groups.set(key, asked);
    return asked;
  };
  for (const { variable, candidate } of picks) {
    const { shared } = candidate.option;
    if (!shared) continue;
    const asked = at(shared.of, shared.placeId);
    asked.ports.push({ variable, by: 1 });
    asked.watts.push({ variable, by: shared.sourceWatts });
    asked.mbps.push({ variable, by: shared.mbps });
    asked.strong.push({ watts: shared.sourceWatts, variable });
  }
  for (const { variable, port } of things) {
    if (!port) continue;
    const asked = at('poe-switch', port.placeId);
    asked.ports.push({ variable, by: 1 });
    asked.mbps.push(...port.sent);
  }
  return [...groups.values()];
}

const sumOf = (terms: readonly Term[]): number => terms.reduce((sum, { by }) => sum + by, 0);

/** Units of every size for what is asked of one kind at one place: in all, and by how strong each port has to be. */
function unitRows(draft: PlanDraft, site: Site, asked: Asked): UnitCount[] {
  const { of, placeId, strong } = asked;
  const there = portsThere(site, of, placeId);
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
  recorderUnits: ReadonlyMap<string, Term[]>,
): UnitCount[] {
  const counts = askedOf(picks, things).flatMap((asked) => unitRows(draft, site, asked));
  for (const placeId of new Set([...counts.map((count) => count.placeId), ...recorderUnits.keys()])) {
    const room = freeRackUnits(site, placeId);
    if (room === null) continue;
    draft.row(
      `rack at ${placeId}`,
      [
        ...counts
          .filter((count) => count.placeId === placeId)
          .map(({ size, variable }) => ({ variable, by: size.rackUnits })),
        ...(recorderUnits.get(placeId) ?? []),
      ],
      '<=',
      Math.max(0, room),
      { kind: 'rack', placeId },
    );
  }
  return counts;
}
