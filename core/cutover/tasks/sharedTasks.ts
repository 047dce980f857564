import { catalogueOf, productOf } from '#core/model/catalogue';
import { sharedThingsOf, type FeasibleOption, type SharedThing } from '#core/decide/options';
import type { Site } from '#core/model/site';
import { ordersFor } from './orderTasks';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import type { TaskKind } from './taskKinds';

type Sharing = Pick<FeasibleOption, 'sharing'>;

/** Over an old coax converters are fitted in the night in which its camera leaves it. */
const isOldCoax = ({ way }: SharedThing): boolean => way?.medium === 'coax-converters';

/** The task in which something shared is made before the nights; `null` for what is hired, or made in a night. */
function madeAs(thing: SharedThing): TaskKind | null {
  switch (thing.kind) {
    case 'lift':
      return null;
    case 'route':
      return 'route';
    case 'way':
      return isOldCoax(thing) ? null : 'lay-link';
    case 'closet':
    case 'switch':
      return 'build';
  }
}

/** What is made first: a way lies in its route and begins in its closet, and a switch stands at its end. */
const rank: Record<SharedThing['kind'], number> = { lift: 0, route: 0, closet: 0, way: 1, switch: 2 };

const idOf = (kind: TaskKind, { key }: SharedThing): string => taskIdOf(kind, ...key.split(' '));

const idsOf = (things: readonly SharedThing[]): string[] =>
  things.flatMap((thing) => {
    const kind = madeAs(thing);
    return kind ? [idOf(kind, thing)] : [];
  });

/** What a cable along the way waits for: its route, and the closet that it begins in. */
export const madeBeforePull = ({ sharing }: Sharing): string[] =>
  idsOf(sharing.filter(({ kind }) => rank[kind] === 0));

/** What a camera waits for: everything that it shares with others. */
export const madeBeforeSwap = ({ sharing }: Sharing): string[] => idsOf(sharing);

/** What a unit at a place waits for: the closet that it stands in, and the ways that end in it. */
export const madeBeforeUnit = (chosen: readonly Sharing[], placeId: string): string[] => [
  ...new Set(
    idsOf(
      chosen.flatMap(({ sharing }) =>
        sharing.filter(
          (thing) =>
            thing.way?.intoPlaceId === placeId || (thing.kind === 'closet' && thing.placeId === placeId),
        ),
      ),
    ),
  ),
];

/** The converters of an old coax that cameras of a place go over together; nothing where they go another way. */
export const onOldCoax = ({ sharing }: Sharing): SharedThing | undefined => sharing.find(isOldCoax);

/** Routes, ways, closets and the switches on them that cameras share beside ports: made beside the old system, before the first camera that needs them. */
export function sharedTasks(
  site: Pick<Site, 'product'>,
  chosen: readonly Sharing[],
  orders: readonly Task[],
): Task[] {
  const catalogue = catalogueOf(site);
  return sharedThingsOf(catalogue, chosen).flatMap(({ thing, units }) => {
    const kind = madeAs(thing);
    if (!kind) return [];
    const hours = thing.tasks.reduce(
      (sum, { item, count }) => sum + productOf(catalogue, item, 'task').hours * count * units,
      0,
    );
    const first = chosen
      .filter(({ sharing }) => sharing.some(({ key }) => key === thing.key))
      .flatMap(({ sharing }) => idsOf(sharing.filter((one) => rank[one.kind] < rank[thing.kind])));
    return [
      taskOf(catalogue, {
        id: idOf(kind, thing),
        kind,
        of: units > 1 ? `${units} × ${thing.label}` : thing.label,
        place: thing.placeId,
        ...(hours > 0 ? { likelyMinutes: (60 * hours) / workOf(catalogue, kind).people } : {}),
        needs: [...new Set([...ordersFor(thing.parts, orders), ...first])],
      }),
    ];
  });
}
