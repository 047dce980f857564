import type { Draft, Term } from '#core/solver';
import { familyOf, type SlotNeed } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { familyOfSignal } from './blocks';
import { points } from './slotPoints';
import type { Zone } from './slotZones';
import type { State } from './splitRows';

/** A term for one or some cameras on a recorder, with the camera that stands for them. */
export interface Placed {
  need: SlotNeed;
  zone: Zone;
  slot: number | null;
  variable: number;
}

export const isIp = ({ need }: Placed): boolean => need.signal.kind === 'ip';
export const rateOf = ({ need: { signal } }: Placed): number => (signal.kind === 'ip' ? signal.mbps : 0);
const negative = (terms: readonly Term[]): Term[] => terms.map(({ variable, by }) => ({ variable, by: -by }));
export const termsOf = (placed: readonly Placed[], by: (one: Placed) => number = () => 1): Term[] =>
  placed.map((one) => ({ variable: one.variable, by: by(one) }));

const slotsThatCount = (here: readonly Placed[]): Set<number> =>
  new Set(here.flatMap(({ slot }) => slot ?? []));

/** What a slot carries in the state that the recorder is in. */
export function carriedRows(
  draft: Draft,
  id: string,
  state: State,
  zones: readonly Zone[],
  here: readonly Placed[],
): void {
  for (const signal of ['coax', 'ip'] as const) {
    const mine = here.filter((one) => isIp(one) === (signal === 'ip'));
    for (const slot of slotsThatCount(here)) {
      const given = state.gives(signal, slot);
      const on = termsOf(mine.filter((one) => one.slot === slot));
      if (on.length > 0)
        draft.row(`${signal} on ${id} ${slot}`, [...on, ...negative(given.terms)], '<=', given.always);
    }
    for (const zone of zones) {
      const given = zone.slots.map((slot) => state.gives(signal, slot));
      const on = termsOf(mine.filter((one) => one.zone === zone));
      if (on.length > 0)
        draft.row(
          `${signal} in ${id} ${zone.name}`,
          [...on, ...negative(given.flatMap((each) => each.terms))],
          '<=',
          given.reduce((sum, { always }) => sum + always, 0),
        );
    }
  }
}

/** One camera on a slot, and no more in a zone than it has slots. */
export function capacityRows(
  draft: Draft,
  id: string,
  zones: readonly Zone[],
  here: readonly Placed[],
): void {
  for (const slot of slotsThatCount(here))
    draft.row(`one on ${id} ${slot}`, termsOf(here.filter((one) => one.slot === slot)), '<=', 1);
  for (const zone of zones)
    draft.row(
      `slots of ${id} ${zone.name}`,
      termsOf(here.filter((one) => one.zone === zone)),
      '<=',
      zone.slots.length,
    );
}

/** An input that can be turned by itself changes where it carries what it did not carry before. */
export function changeRows(draft: Draft, recorder: Recorder, here: readonly Placed[]): void {
  if (familyOf(recorder).conversion !== 'each') return;
  const changed = draft.variable(`${recorder.id} changes`, 1, points.change);
  const turning = termsOf(here.filter((one) => one.zone.block >= 0 && isIp(one) !== one.zone.ipInputsToday));
  if (turning.length > 0)
    draft.row(`change of ${recorder.id}`, [...turning, { variable: changed, by: -recorder.inputs }], '<=', 0);
}

/** One signal family in each block of inputs. */
export function blockRows(draft: Draft, id: string, here: readonly Placed[], size: number): void {
  for (const block of new Set(here.map(({ zone }) => zone.block))) {
    const inBlock = here.filter(({ zone }) => zone.block === block);
    const families = [...new Set(inBlock.map(({ need }) => familyOfSignal(need)))];
    if (block < 0 || families.length < 2) continue;
    const chosen = families.map((family) => {
      const variable = draft.variable(`${family} in block ${block + 1} of ${id}`, 1, 0);
      draft.row(
        `${family} in block ${block + 1} of ${id}`,
        [
          ...inBlock
            .filter(({ need }) => familyOfSignal(need) === family)
            .map((one) => ({ variable: one.variable, by: 1 })),
          { variable, by: -size },
        ],
        '<=',
        0,
      );
      return { variable, by: 1 };
    });
    draft.row(`one family in block ${block + 1} of ${id}`, chosen, '<=', 1);
  }
}
