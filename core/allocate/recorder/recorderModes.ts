import { familyOf, type ChannelMode, type Occupant } from '#core/model/slotRules';
import { numbersFrom } from '#core/shared/numeric';
import type { Recorder } from '#core/model/site';

/** A state that a recorder can be in, with its inputs by what they carry. */
export interface RecorderMode {
  carries: ChannelMode['carries'];
  ipInputs: ReadonlySet<number>;
  coaxInputs: readonly number[];
}

const known = new WeakMap<Recorder, RecorderMode[]>();

/** The states of a recorder that turns in order or as a whole. A search asks for them thousands of times. */
export function modesOf(recorder: Recorder): RecorderMode[] {
  let modes = known.get(recorder);
  if (!modes) {
    const inputs = numbersFrom(1, recorder.inputs);
    modes = familyOf(recorder)
      .modes(recorder)
      .map(({ carries }) => ({
        carries,
        ipInputs: new Set(inputs.filter((slot) => carries(slot) === 'ip')),
        coaxInputs: inputs.filter((slot) => carries(slot) === 'coax' || carries(slot) === 'either'),
      }));
    known.set(recorder, modes);
  }
  return modes;
}

export const carriedIn = ({ carries }: RecorderMode, { need, slot }: Occupant): boolean => {
  const carried = carries(slot);
  return carried === need.signal.kind || carried === 'either';
};

export const alike = (a: ReadonlySet<number>, b: ReadonlySet<number>): boolean => {
  if (a.size !== b.size) return false;
  for (const one of a) if (!b.has(one)) return false;
  return true;
};
