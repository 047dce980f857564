import { slotCount } from '#core/site';
import { inputsFrom, restartFor } from './restart';
import type { SlotFamily } from './slots';

/** Switch per input: any input can turn to IP by itself; the recorder restarts for it. */
export const switchPerInput: SlotFamily = {
  turned: (recorder, occupants, moreIp) => {
    const { inputs } = recorder;
    const turned = new Set(occupants.filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs).map(({ slot }) => slot));
    const taken = new Set(occupants.map(({ slot }) => slot));
    const freeExtra = inputsFrom(inputs + 1, slotCount(recorder)).filter((slot) => !taken.has(slot)).length;
    const free = inputsFrom(1, inputs).filter((input) => !taken.has(input)).reverse();
    for (const input of free.slice(0, Math.max(0, moreIp - freeExtra))) turned.add(input);
    return turned;
  },
  broken: () => [],
  consequences: (recorder, turned) => (turned.size === 0 ? [] : [restartFor(recorder, turned)]),
};
