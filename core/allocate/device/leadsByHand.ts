import type { RecorderState } from '#core/allocate/recorder';

/** A lead that a person moves before a recorder is brought to its plan; `from` is `null` where it comes from nowhere on this recorder. */
export interface LeadByHand {
  number: number;
  from: number | null;
  to: number;
}

export function leadsByHand({ recorder, slots }: RecorderState): LeadByHand[] {
  return slots.flatMap(({ slot, occupants }) =>
    occupants.flatMap(({ need: { signal, patchedTo, number } }): LeadByHand[] => {
      const from = patchedTo?.recorderId === recorder.id ? patchedTo.input : null;
      return signal.kind === 'coax' && from !== slot ? [{ number, from, to: slot }] : [];
    }),
  );
}
