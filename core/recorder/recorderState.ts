import { pictureFormat } from '#core/signal';
import { slotCount, type Recorder, type SlotRules } from '#core/site';
import { loadOf } from '#core/working';
import { brokenBlocks } from './blocks';
import { fixedSlots } from './fixedSlots';
import { fromTheTail } from './fromTheTail';
import { presetSplit } from './presetSplit';
import { switchPerInput } from './switchPerInput';
import type { BrokenRule, Occupant, RecorderState, Slot, SlotFamily } from './slots';

const families: Record<SlotRules['kind'], SlotFamily> = {
  'from-the-tail': fromTheTail, 'fixed-hybrid': fixedSlots, 'network-only': fixedSlots, 'preset-split': presetSplit, 'switch-per-input': switchPerInput,
};

export function familyOf(recorder: Recorder): SlotFamily {
  return families[recorder.rules.kind];
}

/** What each slot carries once the `turned` inputs are IP. */
export function slotsOf(recorder: Recorder, turned: ReadonlySet<number>, occupants: readonly Occupant[]): Slot[] {
  const bySlot = new Map<number, Occupant[]>();
  for (const occupant of occupants) {
    const on = bySlot.get(occupant.slot);
    if (on) on.push(occupant);
    else bySlot.set(occupant.slot, [occupant]);
  }
  return Array.from({ length: slotCount(recorder) }, (_, index) => {
    const slot = index + 1;
    const isInput = slot <= recorder.inputs;
    const converted = isInput && turned.has(slot);
    return {
      slot, converted,
      label: isInput ? `input ${slot}` : `IP ${slot}`,
      carries: isInput && !converted ? 'coax' : 'ip',
      occupants: bySlot.get(slot) ?? [],
    };
  });
}

/** The inputs that stay coax, in words. */
function coaxInputs(recorder: Recorder, turned: ReadonlySet<number>): string {
  const stay = Array.from({ length: recorder.inputs }, (_, index) => index + 1).filter((input) => !turned.has(input));
  if (stay.length === 0) return 'A recorder with coax inputs.';
  return stay.at(-1) === stay.length ? `An input from 1 to ${stay.length}.` : `An input that stays coax: ${stay.join(', ')}.`;
}

function slotProblems(recorder: Recorder, slot: Slot, turned: ReadonlySet<number>): BrokenRule[] {
  const [first, second] = slot.occupants;
  const problems: BrokenRule[] = [];
  if (second && first) {
    problems.push({ rule: 'taken', slots: [slot.slot], why: `Cameras ${first.need.number} and ${second.need.number} are both on slot ${slot.slot}.`, remedy: 'Move one of them, or decide on the one that is still there from today.' });
  }
  for (const { need } of slot.occupants) {
    const { signal } = need;
    const at = { slots: [slot.slot] };
    if (signal.kind === 'coax' && slot.slot > recorder.inputs) {
      problems.push({ ...at, rule: 'signal', why: `Slot ${slot.slot} is for IP only; camera ${need.number} comes on coax.`, remedy: coaxInputs(recorder, turned) });
    }
    if (signal.kind === 'ip' && slot.carries === 'coax') {
      problems.push({ ...at, rule: 'signal', why: `Input ${slot.slot} takes coax only; camera ${need.number} is IP.`, remedy: slotCount(recorder) > recorder.inputs ? `An IP slot from ${recorder.inputs + 1} to ${slotCount(recorder)}.` : 'A recorder with IP slots.' });
    }
    if (signal.kind === 'coax' && slot.slot <= recorder.inputs && !recorder.accepts.includes(signal.format)) {
      problems.push({ ...at, rule: 'format', why: `${recorder.name} does not take ${pictureFormat(signal.format).label}.`, remedy: `One of: ${recorder.accepts.map((id) => pictureFormat(id).label).join(', ')}.` });
    }
    if (signal.kind === 'ip' && signal.megapixels > recorder.limits.slotMegapixels) {
      problems.push({ ...at, rule: 'megapixels', why: `Camera ${need.number} sends ${signal.megapixels} MP; a slot of ${recorder.name} takes ${recorder.limits.slotMegapixels} MP.`, remedy: 'A camera of fewer megapixels, or the other recorder.' });
    }
  }
  return problems;
}

/** A recorder with these occupants: what each slot carries, every broken rule, and what the change costs. */
export function recorderState(recorder: Recorder, occupants: readonly Occupant[]): RecorderState {
  const family = familyOf(recorder);
  const turned = family.turned(recorder, occupants, 0);
  const slots = slotsOf(recorder, turned, occupants);
  const ip = occupants.flatMap(({ need }) => (need.signal.kind === 'ip' ? [need.signal] : []));
  const incomingMbps = ip.reduce((sum, { mbps }) => sum + mbps, 0);
  const broken = [...family.broken(recorder, occupants), ...brokenBlocks(recorder, occupants), ...slots.flatMap((slot) => slotProblems(recorder, slot, turned))];
  const { limits, name } = recorder;
  if (incomingMbps > limits.incomingMbps) {
    broken.push({ rule: 'incoming-rate', slots: [], why: `${name} takes ${limits.incomingMbps} Mb/s in all; its cameras send ${incomingMbps}.`, remedy: 'Fewer frames or megapixels, or the other recorder.' });
  }
  if (ip.length > limits.ipCameras) {
    broken.push({ rule: 'ip-count', slots: [], why: `${name} takes ${limits.ipCameras} IP cameras; ${ip.length} are on it.`, remedy: 'Leave some on coax, or use the other recorder.' });
  }
  return { recorder, slots, broken, consequences: family.consequences(recorder, turned), loads: [loadOf('incoming', incomingMbps, limits.incomingMbps, 'Mb/s'), loadOf('IP cameras', ip.length, limits.ipCameras, '')] };
}
