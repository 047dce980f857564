import { familyOf, type Occupant } from '#core/model/slotRules';
import type { Recorder, Site } from '#core/model/site';

/** What a recorder should hold: which inputs are IP, and what is on each slot. */
export interface DevicePlan {
  ipInputs: number[];
  timeSource: string | null;
  channels: (
    { slot: number; kind: 'coax'; name: string } | { slot: number; kind: 'ip'; name: string; address: string }
  )[];
}

export type PlanForDevice = { kind: 'plan'; plan: DevicePlan } | { kind: 'not-yet'; why: string };

/** How much of the plan a recorder is told: all of it, or as far as the nights have come, what is under way among it. */
export const deviceGoals = ['end', 'now'] as const;
export type DeviceGoal = (typeof deviceGoals)[number];

/** The plan of a recorder's slots as the recorder is told it, or what is still missing. */
export function devicePlan(
  site: Pick<Site, 'networkConfig'>,
  recorder: Recorder,
  occupants: readonly Occupant[],
  broken: readonly { why: string }[],
): PlanForDevice {
  if (broken[0]) return { kind: 'not-yet', why: `A rule of the recorder is broken: ${broken[0].why}` };
  const bare = occupants
    .filter(({ need }) => need.signal.kind === 'ip' && !site.networkConfig[need.cameraId]?.address)
    .map(({ need }) => need.number);
  if (bare.length > 0)
    return {
      kind: 'not-yet',
      why: `Camera${bare.length > 1 ? 's' : ''} ${bare.join(', ')} ${bare.length > 1 ? 'have' : 'has'} no address yet.`,
    };
  return {
    kind: 'plan',
    plan: {
      ipInputs: [...familyOf(recorder).ipInputs(recorder, occupants)].sort((a, b) => a - b),
      timeSource: recorder.network?.timeSource ?? null,
      channels: [...occupants]
        .sort((a, b) => a.slot - b.slot)
        .map(({ need, slot }) => {
          const name = `${need.number} ${need.name}`;
          return need.signal.kind === 'ip'
            ? { slot, kind: 'ip', name, address: site.networkConfig[need.cameraId]!.address! }
            : { slot, kind: 'coax', name };
        }),
    },
  };
}
