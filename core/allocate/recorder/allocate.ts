import type { Occupant } from '#core/model/slotRules';
import type { Highs } from 'highs';
import { solve } from '#core/solver';
import type { Placement, Recorder } from '#core/model/site';
import { ipInputsToday } from './changeCost';
import { slotModel, type SlotModel, type ZoneWay } from './slotModel';
import type { SlotWishes, SlotRequest } from './slotRequest';

/** An allocation of every camera that has a place to go, and how sure it is that none is better. */
export interface Allocated {
  placements: Placement[];
  /** Who is on which recorder then, by its id. */
  occupied: Record<string, Occupant[]>;
  /** Cameras that no slot takes. */
  without: SlotRequest[];
  points: number;
  proven: boolean;
}

/** A slot of those that are alike: coax the lowest that carries it; IP on inputs that turn one by one the highest, those that are turned today first. */
function slotIn(
  { slots, recorder }: ZoneWay,
  kind: 'coax' | 'ip',
  taken: ReadonlySet<number>,
  carries: (slot: number) => string,
): number {
  const free = slots.filter(
    (slot) => !taken.has(slot) && (carries(slot) === kind || carries(slot) === 'either'),
  );
  const today = ipInputsToday(recorder);
  const inOrder =
    kind === 'ip' && free.some((slot) => carries(slot) === 'either')
      ? [...free].sort((a, b) => Number(today.has(b)) - Number(today.has(a)) || b - a)
      : free;
  return inOrder[0]!;
}

/** Reads a solution: those with a slot of their own first, then the others by number. */
function readOut(
  { slotWays, zoneWays, carriesIn }: SlotModel,
  values: readonly number[],
  wanting: readonly SlotRequest[],
): Pick<Allocated, 'placements' | 'occupied' | 'without'> {
  const occupied: Record<string, Occupant[]> = {};
  const placements: Placement[] = [];
  const found = new Set<SlotRequest>();
  const put = (one: SlotRequest, { id }: Recorder, slot: number): void => {
    (occupied[id] ??= []).push({ need: one.need, slot, placed: true });
    placements.push({ id: one.need.cameraId, recorderId: id, slot });
    found.add(one);
  };
  for (const { wanting: one, recorder, slot, variable } of slotWays)
    if (values[variable] === 1) put(one, recorder, slot);
  for (const way of zoneWays) {
    const carries = carriesIn(way.recorder, values);
    const waiting = way.members.filter((one) => !found.has(one)).slice(0, values[way.variable]);
    for (const one of waiting)
      put(
        one,
        way.recorder,
        slotIn(
          way,
          one.need.signal.kind,
          new Set(occupied[way.recorder.id]?.map(({ slot }) => slot)),
          carries,
        ),
      );
  }
  return { placements, occupied, without: wanting.filter((one) => !found.has(one)) };
}

/**
 * The best allocation under the recorders' rules and what is wanted, proven, by HiGHS. Among equals the solver always
 * takes the same, whatever order the cameras come in, and slots that are alike go by number: the same site gives the same.
 */
export function allocate(
  highs: Highs,
  recorders: readonly Recorder[],
  wanting: readonly SlotRequest[],
  wishes: SlotWishes,
  secondsMost?: number,
): Allocated {
  const inOrder = [...wanting].sort((a, b) => a.need.number - b.need.number);
  const model = slotModel(recorders, inOrder, wishes);
  const solved = solve(highs, model.programme, secondsMost === undefined ? {} : { secondsMost });
  if (solved.kind === 'infeasible' || solved.kind === 'nothing-found')
    return { placements: [], occupied: {}, without: inOrder, points: 0, proven: false };
  return { ...readOut(model, solved.values, inOrder), points: solved.cost, proven: solved.kind === 'proven' };
}
