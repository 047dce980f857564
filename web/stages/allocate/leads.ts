import type { SlotNeed } from '#core/model/slotRules';
import type { RecorderState } from '#core/allocate/recorder';

/** A lead from where a run is plugged today to its slot after the change, on a strip of unit width. */
export interface Lead {
  cameraId: string;
  number: number;
  fromX: number | null;
  toX: number;
  kind: 'stays' | 'repatched' | 'network' | 'undecided';
}

/** Ticks along the strip: one for each slot. */
export interface Tick {
  slot: number;
  x: number;
  today: number | null;
  after: number | null;
  carries: 'coax' | 'ip';
}

export interface Strip {
  ticks: Tick[];
  leads: Lead[];
}

const centre = (slot: number, count: number): number => (slot - 0.5) / count;

function kindOf(isIp: boolean, isWhereItWas: boolean, placed: boolean): Lead['kind'] {
  if (isIp) return 'network';
  if (!isWhereItWas) return 'repatched';
  return placed ? 'stays' : 'undecided';
}

/**
 * Today’s inputs above, the slots after the change below, and what joins them. A run of another recorder comes in from the
 * side; `there` are cameras that are on the network already, and stay on their slots.
 */
export function stripOf(
  { recorder, slots }: RecorderState,
  needs: Readonly<Record<string, SlotNeed>>,
  there: ReadonlySet<string>,
): Strip {
  const count = slots.length;
  const today = new Map(
    Object.values(needs).flatMap(({ patchedTo, number }) =>
      patchedTo?.recorderId === recorder.id ? [[patchedTo.input, number] as const] : [],
    ),
  );
  for (const { slot, occupants } of slots)
    for (const { need } of occupants) if (there.has(need.cameraId)) today.set(slot, need.number);
  const leads = slots.flatMap(({ slot, occupants }) =>
    occupants.map(({ need, placed }): Lead => {
      const { patchedTo, signal } = need;
      const stays = there.has(need.cameraId);
      const input = stays ? slot : patchedTo?.recorderId === recorder.id ? patchedTo.input : null;
      return {
        cameraId: need.cameraId,
        number: need.number,
        fromX: input === null ? null : centre(input, count),
        toX: centre(slot, count),
        kind: stays ? 'stays' : kindOf(signal.kind === 'ip', input === slot, placed),
      };
    }),
  );
  return {
    leads,
    ticks: slots.map(({ slot, occupants, carries }) => ({
      slot,
      x: centre(slot, count),
      carries,
      today: today.get(slot) ?? null,
      after: occupants[0]?.need.number ?? null,
    })),
  };
}
