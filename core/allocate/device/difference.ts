import { slotCount } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import type { DevicePlan } from './devicePlan';
import type { Report } from './report';

/** What a slot holds and what it should hold; `byHand` is what a person does there, since no recorder moves a lead. */
export interface SlotDifference {
  slot: number;
  has: string;
  wants: string;
  same: boolean;
  byHand: string;
}

/** Why a recorder that answers cannot be the one that was noted; `null` where it can. */
export function otherRecorder(recorder: Recorder, { inputs, slots, name }: Report): string | null {
  if (inputs === recorder.inputs && slots === slotCount(recorder)) return null;
  return `“${name}” has ${inputs} inputs and ${slots} slots; ${recorder.name} is noted with ${recorder.inputs} and ${slotCount(recorder)}. Is it another recorder, or is the note wrong?`;
}

/** Slot by slot what the recorder has and what the plan wants. Slots that are empty in both are left out. */
export function differences(report: Report, plan: DevicePlan): SlotDifference[] {
  const has = new Map(report.channels.map((channel) => [channel.slot, channel]));
  const wants = new Map(plan.channels.map((channel) => [channel.slot, channel]));
  return Array.from({ length: report.slots }, (_, k) => k + 1).flatMap((slot): SlotDifference[] => {
    const [now, then] = [has.get(slot), wants.get(slot)];
    if (!now && !then) return [];
    const same =
      now?.kind === then?.kind &&
      (now?.kind === 'ip'
        ? then?.kind === 'ip' &&
          now.address === then.address &&
          now.name === then.name &&
          now.state === 'recording'
        : now?.name === then?.name);
    return [
      {
        slot,
        same: same || (!then && now?.kind === 'coax'),
        byHand: !then && now?.kind === 'coax' && now.picture !== null ? 'its lead can be taken off' : '',
        has: !now
          ? 'nothing'
          : now.kind === 'ip'
            ? `${now.name}, ${now.address}${now.state === 'recording' ? '' : `, ${now.state}`}`
            : `${now.name}, coax${now.picture === null ? ' without a picture' : ''}`,
        wants: !then
          ? 'nothing'
          : then.kind === 'ip'
            ? `${then.name}, ${then.address}`
            : `${then.name}, coax`,
      },
    ];
  });
}

/** What a recorder that holds the plan still does not do: cameras it dropped or lost, inputs without their picture. */
export function stillWrong(report: Report, plan: DevicePlan): string[] {
  const incoming = report.channels.reduce(
    (sum, channel) => sum + (channel.kind === 'ip' ? channel.mbps : 0),
    0,
  );
  return report.channels.flatMap((channel) => {
    const planned = plan.channels.find(({ slot }) => slot === channel.slot);
    if (channel.kind === 'coax')
      return planned && channel.picture === null
        ? [`Slot ${channel.slot} (${channel.name}) has no picture: is its lead there?`]
        : [];
    if (channel.state === 'dropped')
      return [
        `“${channel.name}” was dropped: ${Math.round(incoming)} Mb/s come in, and the recorder takes ${report.incomingMbps}. Fewer frames, or another recorder.`,
      ];
    return channel.state === 'lost'
      ? [`“${channel.name}” at ${channel.address} does not answer the recorder.`]
      : [];
  });
}
