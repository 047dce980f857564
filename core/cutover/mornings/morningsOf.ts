import {
  recorderState,
  type Migration,
  type Mover,
  type NightStep,
  type SlotAddress,
} from '#core/allocate/recorder';
import type { Occupant } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';

/** What is so in the morning after a night. */
export interface Morning {
  /** Who is where, by recorder. */
  occupied: Record<string, Occupant[]>;
  /** Inputs that are IP by then, by recorder, whether or not anybody is on them yet. */
  ipInputs: Record<string, number[]>;
  /** What is against it, in words; nothing where every recorder is legal and nobody is left dark on it. */
  broken: { recorderId: string; why: string }[];
}

interface Asked {
  recorders: readonly Recorder[];
  movers: readonly Mover[];
  migration: Pick<Migration, 'nights'>;
  /** The task of a step; `null` of one that happens by itself. */
  taskOf: (step: NightStep, night: number) => string | null;
  /** Ids of the tasks of each night. */
  nights: readonly (readonly string[])[];
}

type Place = { at: SlotAddress; isNew: boolean } | null;

/** Where each camera comes in once some tasks are done. */
function placesAfter({ movers, migration, taskOf }: Asked, done: ReadonlySet<string>): Map<string, Place> {
  const places = new Map<string, Place>(
    movers.map(({ need, today }) => [need.cameraId, today && { at: today.at, isNew: false }]),
  );
  migration.nights.forEach(({ steps }, night) => {
    for (const step of steps) {
      if (step.kind === 'turn') continue;
      const task = taskOf(step, night);
      if (task !== null && !done.has(task)) continue;
      if (step.kind === 'unplug') places.set(step.cameraId, null);
      else places.set(step.cameraId, { at: step.to, isNew: step.kind === 'join' });
    }
  });
  return places;
}

/** A camera on its slot as it is then: with the picture it sends today, or with the new one. */
function occupantOf({ need, today }: Mover, place: Place): Occupant | null {
  if (!place) return null;
  const isAsToday = !place.isNew && today?.format != null;
  return {
    slot: place.at.slot,
    placed: true,
    need: isAsToday ? { ...need, portWatts: 0, signal: { kind: 'coax', format: today.format! } } : need,
  };
}

/** Inputs of a recorder that are IP once some tasks are done: those of today, and those that the tasks turn. */
function ipInputsAfter(
  { id, ipInputs }: Recorder,
  { migration, taskOf }: Asked,
  done: ReadonlySet<string>,
): number[] {
  const inputs = new Set(ipInputs ?? []);
  migration.nights.forEach(({ steps }, night) => {
    for (const step of steps) {
      if (step.kind !== 'turn' || step.recorderId !== id) continue;
      const task = taskOf(step, night);
      if (task !== null && !done.has(task)) continue;
      for (const input of step.cost.toIp) inputs.add(input);
      for (const input of step.cost.toCoax) inputs.delete(input);
    }
  });
  return [...inputs].sort((a, b) => a - b);
}

/** Whether a camera sends coax into an input that is IP: the recorder sees nothing of it. */
export const isDarkAt = ({ slot, need }: Occupant, ipInputs: readonly number[]): boolean =>
  need.signal.kind === 'coax' && ipInputs.includes(slot);

/** What is against a recorder on a morning: its own rules, and cameras that are left dark on inputs that were turned under them. */
function brokenOf(recorder: Recorder, occupants: readonly Occupant[], ipInputs: readonly number[]): string[] {
  return [
    ...recorderState(recorder, occupants).broken.map(({ why }) => why),
    ...occupants
      .filter((one) => isDarkAt(one, ipInputs))
      .map(
        ({ need, slot }) =>
          `Camera ${need.number} is dark: it sends coax into input ${slot} of ${recorder.name}, which is IP by then.`,
      ),
  ];
}

/** What is so in the morning after each night: who is where, and whether every recorder takes it. */
export function morningsOf(asked: Asked): Morning[] {
  const { recorders, movers, nights } = asked;
  const done = new Set<string>();
  return nights.map((tasks) => {
    for (const task of tasks) done.add(task);
    const places = placesAfter(asked, done);
    const occupied: Record<string, Occupant[]> = Object.fromEntries(recorders.map(({ id }) => [id, []]));
    for (const mover of movers) {
      const place = places.get(mover.need.cameraId) ?? null;
      const occupant = occupantOf(mover, place);
      if (occupant) occupied[place!.at.recorderId]!.push(occupant);
    }
    const ipInputs = Object.fromEntries(
      recorders.map((recorder) => [recorder.id, ipInputsAfter(recorder, asked, done)]),
    );
    return {
      occupied,
      ipInputs,
      broken: recorders.flatMap((recorder) =>
        brokenOf(recorder, occupied[recorder.id]!, ipInputs[recorder.id]!).map((why) => ({
          recorderId: recorder.id,
          why,
        })),
      ),
    };
  });
}
