import { familyOf, type ChannelMode } from '#core/model/slotRules';
import { numbersFrom } from '#core/shared/numeric';
import type { Draft, Term } from '#core/solver';
import type { Recorder } from '#core/model/site';
import { ipInputsToday } from './changeCost';
import { points } from './slotPoints';

/** How the state of a recorder enters the rows: what a slot gives to each signal, as terms and a constant. */
export interface State {
  gives: (signal: 'coax' | 'ip', slot: number) => { terms: Term[]; always: number };
  carries: (values: readonly number[]) => (slot: number) => ReturnType<ChannelMode['carries']>;
}

/** The unknowns of a recorder's state: an input after another, one of its splits, or none where there is but one. */
export function stateOf(draft: Draft, recorder: Recorder): State {
  const { id, inputs } = recorder;
  const today = ipInputsToday(recorder);
  const family = familyOf(recorder);
  if (family.conversion === 'in-order') {
    const ipInputs = new Map(
      numbersFrom(1, inputs).map((slot) => [
        slot,
        draft.variable(`${id} ${slot} is IP`, 1, points.turnedInput),
      ]),
    );
    const changed = draft.variable(`${id} changes`, 1, points.change);
    for (const [slot, variable] of ipInputs) {
      const next = ipInputs.get(slot + 1);
      if (next !== undefined)
        draft.row(
          `${id} ${slot} after ${slot + 1}`,
          [
            { variable, by: 1 },
            { variable: next, by: -1 },
          ],
          '<=',
          0,
        );
      if (today.has(slot))
        draft.row(
          `${id} ${slot} as today`,
          [
            { variable, by: 1 },
            { variable: changed, by: 1 },
          ],
          '>=',
          1,
        );
      else
        draft.row(
          `${id} ${slot} as today`,
          [
            { variable, by: 1 },
            { variable: changed, by: -1 },
          ],
          '<=',
          0,
        );
    }
    return {
      gives: (signal, slot) => {
        const variable = ipInputs.get(slot);
        if (variable === undefined) return { terms: [], always: signal === 'ip' ? 1 : 0 };
        return signal === 'ip'
          ? { terms: [{ variable, by: 1 }], always: 0 }
          : { terms: [{ variable, by: -1 }], always: 1 };
      },
      carries: (values) => (slot) => (slot > inputs || values[ipInputs.get(slot)!] === 1 ? 'ip' : 'coax'),
    };
  }
  const splits = family.modes(recorder);
  const carriesSignal = (split: ChannelMode, signal: 'coax' | 'ip', slot: number) =>
    split.carries(slot) === signal || split.carries(slot) === 'either';
  const [only] = splits;
  if (only && splits.length === 1)
    return {
      gives: (signal, slot) => ({ terms: [], always: carriesSignal(only, signal, slot) ? 1 : 0 }),
      carries: () => only.carries,
    };
  const states = splits.map((split) => {
    const isIp = numbersFrom(1, inputs).filter((slot) => split.carries(slot) === 'ip');
    const differs = isIp.length !== today.size || isIp.some((slot) => !today.has(slot));
    return {
      split,
      variable: draft.variable(
        `${id}: ${split.label}`,
        1,
        (differs ? points.change : 0) + isIp.length * points.turnedInput,
      ),
    };
  });
  draft.row(
    `one state of ${id}`,
    states.map(({ variable }) => ({ variable, by: 1 })),
    '=',
    1,
  );
  return {
    gives: (signal, slot) => ({
      always: 0,
      terms: states
        .filter(({ split }) => carriesSignal(split, signal, slot))
        .map(({ variable }) => ({ variable, by: 1 })),
    }),
    carries: (values) => states.find(({ variable }) => values[variable] === 1)!.split.carries,
  };
}
