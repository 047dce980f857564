import type { SlotNeed } from '#core/model/slotRules';
import { comesInAt, type RecorderState } from '#core/allocate/recorder';
import type { Site } from '#core/model/site';

/** A lead from where a run is plugged today to its slot after the change, on a strip of unit width. */
export interface Lead {
  cameraId: string;
  number: number;
  fromX: number | null;
  toX: number;
  kind: 'stays' | 'repatched' | 'network' | 'undecided';
}

/** A lead that is plugged in today and in nothing after the change: its view is given up, or another camera sees it. */
export interface EndingLead {
  cameraId: string;
  number: number;
  x: number;
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
  ending: EndingLead[];
}

const centre = (slot: number, count: number): number => (slot - 0.5) / count;

/** Leads in a recorder whose cameras ask for no slot any more. */
const endingOf = (
  { run, camera }: Pick<Site, 'run' | 'camera'>,
  recorderId: string,
  needs: Readonly<Record<string, SlotNeed>>,
  count: number,
): EndingLead[] =>
  Object.values(run).flatMap(({ cameraId, patchedTo }) =>
    patchedTo?.recorderId === recorderId && !(cameraId in needs)
      ? [{ cameraId, number: camera[cameraId]!.number, x: centre(patchedTo.input, count) }]
      : [],
  );

function kindOf(isIp: boolean, isWhereItWas: boolean, placed: boolean): Lead['kind'] {
  if (isIp) return 'network';
  if (!isWhereItWas) return 'repatched';
  return placed ? 'stays' : 'undecided';
}

/**
 * Today’s inputs above, the slots after the change below, and what joins them. A run of another recorder comes in from the
 * side; cameras that are on the network already stay on their slots.
 */
export function stripOf(
  { recorder, slots }: RecorderState,
  needs: Readonly<Record<string, SlotNeed>>,
  site: Pick<Site, 'run' | 'camera' | 'networkCamera'>,
): Strip {
  const count = slots.length;
  const there = new Set(
    Object.values(site.networkCamera).flatMap(({ id, state }) => (state === 'there' ? [id] : [])),
  );
  const ending = endingOf(site, recorder.id, needs, count);
  const today = new Map(
    Object.values(needs).flatMap(({ patchedTo, number }) =>
      patchedTo?.recorderId === recorder.id ? [[patchedTo.input, number] as const] : [],
    ),
  );
  for (const { cameraId, recordedAt, number } of Object.values(needs))
    if (there.has(cameraId) && recordedAt?.recorderId === recorder.id) today.set(recordedAt.slot, number);
  for (const { slot, occupants } of slots)
    for (const { need } of occupants)
      if (there.has(need.cameraId) && !need.recordedAt) today.set(slot, need.number);
  const leads = slots.flatMap(({ slot, occupants }) =>
    occupants.map(({ need, placed }): Lead => {
      // As long as nobody has noted where it is recorded, the slot that it is given is taken for it.
      const isThere = there.has(need.cameraId);
      const from = comesInAt(need) ?? (isThere ? { recorderId: recorder.id, slot } : undefined);
      const input = from?.recorderId === recorder.id ? from.slot : null;
      return {
        cameraId: need.cameraId,
        number: need.number,
        fromX: input === null ? null : centre(input, count),
        toX: centre(slot, count),
        kind: isThere && input === slot ? 'stays' : kindOf(need.signal.kind === 'ip', input === slot, placed),
      };
    }),
  );
  const endsAt = new Map(ending.map(({ x, number }) => [x, number]));
  return {
    leads,
    ending,
    ticks: slots.map(({ slot, occupants, carries }) => ({
      slot,
      x: centre(slot, count),
      carries,
      today: today.get(slot) ?? endsAt.get(centre(slot, count)) ?? null,
      after: occupants[0]?.need.number ?? null,
    })),
  };
}
