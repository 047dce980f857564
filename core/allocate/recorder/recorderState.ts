import { ownPortsOf, familyOf, slotCount, type BrokenRule, type Occupant } from '#core/model/slotRules';
import { pictureFormat, takesPicture } from '#core/physics/signal';
import type { Recorder } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { loadOf, type Load } from '#core/shared/derivation';
import { brokenBlocks } from './blocks';
import { changeCost, changeInWords, ipInputsToday } from './changeCost';

export interface Slot {
  slot: number;
  label: string;
  carries: 'coax' | 'ip';
  converted: boolean;
  occupants: Occupant[];
}

/** A recorder with everyone on it, what that breaks and what it costs to get there. */
export interface RecorderState {
  recorder: Recorder;
  slots: Slot[];
  broken: BrokenRule[];
  consequences: string[];
  /** How much of each of the recorder's limits is used. */
  loads: Load[];
}

/** What each slot carries once the `ipInputs` inputs are IP. */
function slotsOf(recorder: Recorder, ipInputs: ReadonlySet<number>, occupants: readonly Occupant[]): Slot[] {
  const bySlot = new Map<number, Occupant[]>();
  for (const occupant of occupants) {
    const on = bySlot.get(occupant.slot);
    if (on) on.push(occupant);
    else bySlot.set(occupant.slot, [occupant]);
  }
  return Array.from({ length: slotCount(recorder) }, (_, index) => {
    const slot = index + 1;
    const isInput = slot <= recorder.inputs;
    const converted = isInput && ipInputs.has(slot);
    return {
      slot,
      converted,
      label: isInput ? `input ${slot}` : `IP ${slot}`,
      carries: isInput && !converted ? 'coax' : 'ip',
      occupants: bySlot.get(slot) ?? [],
    };
  });
}

/** The inputs that stay coax, in words. */
function coaxInputs(recorder: Recorder, ipInputs: ReadonlySet<number>): string {
  const stay = Array.from({ length: recorder.inputs }, (_, index) => index + 1).filter(
    (input) => !ipInputs.has(input),
  );
  if (stay.length === 0) return 'A recorder with coax inputs.';
  return stay.at(-1) === stay.length
    ? `An input from 1 to ${stay.length}.`
    : `An input that stays coax: ${stay.join(', ')}.`;
}

function slotProblems(recorder: Recorder, slot: Slot, ipInputs: ReadonlySet<number>): BrokenRule[] {
  const [first, second] = slot.occupants;
  const problems: BrokenRule[] = [];
  if (second && first) {
    problems.push({
      rule: 'taken',
      slots: [slot.slot],
      why: `Cameras ${first.need.number} and ${second.need.number} are both on slot ${slot.slot}.`,
      remedy: 'Move one of them, or decide on the one that is still there from today.',
    });
  }
  for (const { need } of slot.occupants) {
    const { signal } = need;
    const at = { slots: [slot.slot] };
    if (signal.kind === 'coax' && slot.slot > recorder.inputs) {
      problems.push({
        ...at,
        rule: 'signal',
        why: `Slot ${slot.slot} is for IP only; camera ${need.number} comes on coax.`,
        remedy: coaxInputs(recorder, ipInputs),
      });
    }
    if (signal.kind === 'ip' && slot.carries === 'coax') {
      problems.push({
        ...at,
        rule: 'signal',
        why: `Input ${slot.slot} takes coax only; camera ${need.number} is IP.`,
        remedy:
          slotCount(recorder) > recorder.inputs
            ? `An IP slot from ${recorder.inputs + 1} to ${slotCount(recorder)}.`
            : 'A recorder with IP slots.',
      });
    }
    if (signal.kind === 'coax' && slot.slot <= recorder.inputs && !takesPicture(recorder, signal)) {
      const knowsFormat = recorder.accepts.includes(signal.format);
      problems.push({
        ...at,
        rule: 'format',
        why: knowsFormat
          ? `${recorder.name} does not understand the HD scheme that camera ${need.number} sends.`
          : `${recorder.name} does not take ${pictureFormat(signal.format).label}.`,
        remedy: knowsFormat
          ? 'A scheme that both understand, set at the camera, or another recorder.'
          : `One of: ${recorder.accepts.map((id) => pictureFormat(id).label).join(', ')}.`,
      });
    }
    const forced = signal.kind === 'coax' && recorder.forced?.find(({ input }) => input === slot.slot);
    if (forced && signal.kind === 'coax' && forced.format !== signal.format) {
      problems.push({
        ...at,
        rule: 'forced',
        why: `Input ${slot.slot} is set to ${pictureFormat(forced.format).label}; camera ${need.number} sends ${pictureFormat(signal.format).label}.`,
        remedy: `Set input ${slot.slot} to ${pictureFormat(signal.format).label} or to find the format by itself, or take another input.`,
      });
    }
    if (signal.kind === 'ip' && signal.megapixels > recorder.limits.slotMegapixels) {
      problems.push({
        ...at,
        rule: 'megapixels',
        why: `Camera ${need.number} sends ${signal.megapixels} MP; a slot of ${recorder.name} takes ${recorder.limits.slotMegapixels} MP.`,
        remedy: 'A camera of fewer megapixels, or the other recorder.',
      });
    }
  }
  return problems;
}

/** Watts that the recorder's own ports have to give; `null` where it has none. */
function portLoad(
  recorder: Recorder,
  occupants: readonly Occupant[],
): { used: number; most: number; slots: number[] } | null {
  const own = ownPortsOf(recorder);
  if (!own) return null;
  const { ports, watts } = own;
  const fed = occupants.filter(({ need, slot }) => slot <= ports && need.portWatts > 0);
  return {
    used: fed.reduce((sum, { need }) => sum + need.portWatts, 0),
    most: watts,
    slots: fed.map(({ slot }) => slot),
  };
}

/** A recorder with these occupants: what each slot carries, every broken rule, and what the change costs. */
export function recorderState(recorder: Recorder, occupants: readonly Occupant[]): RecorderState {
  const family = familyOf(recorder);
  const ipInputs = family.ipInputs(recorder, occupants);
  const slots = slotsOf(recorder, ipInputs, occupants);
  const ip = occupants.flatMap(({ need }) => (need.signal.kind === 'ip' ? [need.signal] : []));
  const incomingMbps = ip.reduce((sum, { mbps }) => sum + mbps, 0);
  const broken = [
    ...family.broken(recorder, occupants),
    ...brokenBlocks(recorder, occupants),
    ...slots.flatMap((slot) => slotProblems(recorder, slot, ipInputs)),
  ];
  const { limits, name } = recorder;
  const loads: Load[] = [
    loadOf('incoming', incomingMbps, limits.incomingMbps, 'Mb/s'),
    loadOf('IP cameras', ip.length, limits.ipCameras, ''),
  ];
  if (incomingMbps > limits.incomingMbps) {
    broken.push({
      rule: 'incoming-rate',
      slots: [],
      why: `${name} takes ${limits.incomingMbps} Mb/s in all; its cameras send ${formatQuantity(incomingMbps, 'Mb/s')}.`,
      remedy: 'Fewer frames or megapixels, or the other recorder.',
    });
  }
  if (ip.length > limits.ipCameras) {
    broken.push({
      rule: 'ip-count',
      slots: [],
      why: `${name} takes ${limits.ipCameras} IP cameras; ${ip.length} are on it.`,
      remedy: 'Leave some on coax, or use the other recorder.',
    });
  }
  const ports = portLoad(recorder, occupants);
  if (ports) loads.push(loadOf('ports', ports.used, ports.most, 'W'));
  if (ports && ports.used > ports.most) {
    broken.push({
      rule: 'port-watts',
      slots: ports.slots,
      why: `The ports of ${name} give ${ports.most} W together; its cameras draw ${formatQuantity(ports.used, 'W')} by night.`,
      remedy: 'Feed some of them from a switch, on slots after the ports.',
    });
  }
  const change = changeCost(recorder, ipInputsToday(recorder), ipInputs);
  return { recorder, slots, broken, consequences: change ? changeInWords(recorder, change) : [], loads };
}
