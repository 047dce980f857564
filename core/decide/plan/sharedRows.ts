import { catalogueOf } from '#core/model/catalogue';
import { freeRackUnits, portsThere, unitSizes, type SharedPort, type Wanted } from '#core/decide/options';
import type { Term } from '#core/solver';
import type { Site } from '#core/model/site';
import type { PlanDraft } from './planDraft';
import type { PlanPick, UnitCount } from './types';

const measures: (keyof Wanted)[] = ['ports', 'watts', 'mbps'];

/** Units of every size for what the picks at each place share: ports, watts and uplink, and the room in its rack. */
export function sharedRows(
  draft: PlanDraft,
  site: Site,
  picks: readonly PlanPick[],
  recorderUnits: ReadonlyMap<string, Term[]>,
): UnitCount[] {
  const catalogue = catalogueOf(site);
  const groups = new Map<string, { of: SharedPort['of']; placeId: string; picks: PlanPick[] }>();
  for (const pick of picks) {
    const { shared } = pick.candidate.option;
    if (!shared) continue;
    const key = `${shared.of} ${shared.placeId}`;
    const group = groups.get(key) ?? { of: shared.of, placeId: shared.placeId, picks: [] };
    group.picks.push(pick);
    groups.set(key, group);
  }
  const counts = [...groups.values()].flatMap(({ of, placeId, picks: sharing }): UnitCount[] => {
    const there = portsThere(site, of, placeId);
    const worst = { ports: sharing.length, watts: 0, mbps: 0 };
    for (const {
      candidate: {
        option: { shared },
      },
    } of sharing) {
      worst.watts += shared!.sourceWatts;
      worst.mbps += shared!.mbps;
    }
    const units = unitSizes(catalogue, of).map((size): UnitCount => ({
      placeId,
      size,
      variable: draft.variable(
        `${size.item} at ${placeId}`,
        Math.max(
          1,
          ...measures.map((measure) => (size[measure] > 0 ? Math.ceil(worst[measure] / size[measure]) : 0)),
        ),
        size.each,
      ),
    }));
    for (const measure of measures) {
      const wanted = sharing.map(
        ({
          variable,
          candidate: {
            option: { shared },
          },
        }): Term => ({
          variable,
          by: measure === 'ports' ? 1 : measure === 'watts' ? shared!.sourceWatts : shared!.mbps,
        }),
      );
      draft.row(
        `${of} ${measure} at ${placeId}`,
        [...wanted, ...units.map(({ size, variable }) => ({ variable, by: -size[measure] }))],
        '<=',
        there[measure],
      );
    }
    return units;
  });
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
