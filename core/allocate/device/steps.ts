import type { DevicePlan } from './devicePlan';
import type { Channel, Report } from './report';

/** One thing that a recorder is told to do, or that is looked at in between. */
export type DeviceStep =
  | { kind: 'save' }
  | { kind: 'restore' }
  | { kind: 'split'; ipInputs: number[] }
  | { kind: 'remove'; slot: number; name: string }
  | { kind: 'move'; slot: number; to: number; name: string }
  | { kind: 'add'; slot: number; address: string; name: string }
  | { kind: 'name'; slot: number; name: string }
  | { kind: 'time'; source: string };

/** Where the program is with a recorder's settings: kept from before anything was changed, or not yet. */
export interface Kept {
  settings: boolean;
}

type OnIp = Extract<Channel, { kind: 'ip' }>;
const ipOf = ({ channels }: Report): OnIp[] =>
  channels.filter((channel): channel is OnIp => channel.kind === 'ip');

const sameSet = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((one) => b.includes(one));

/** What the recorder would say after a step, as far as the steps after it depend on it. */
function after(report: Report, step: DeviceStep): Report {
  const others = (slot: number) => report.channels.filter((channel) => channel.slot !== slot);
  switch (step.kind) {
    case 'save':
      return report;
    case 'restore':
      return { ...report, factoryValues: false };
    case 'split': {
      const isIp = (slot: number) => slot > report.inputs || step.ipInputs.includes(slot);
      return {
        ...report,
        ipInputs: step.ipInputs,
        channels: report.channels.filter(({ slot, kind }) => (kind === 'ip') === isIp(slot)),
      };
    }
    case 'remove':
      return { ...report, channels: others(step.slot) };
    case 'move':
      return {
        ...report,
        channels: report.channels.map((channel) =>
          channel.slot === step.slot ? { ...channel, slot: step.to } : channel,
        ),
      };
    case 'add':
      return {
        ...report,
        channels: [
          ...others(step.slot),
          {
            slot: step.slot,
            kind: 'ip',
            name: step.name,
            address: step.address,
            mbps: 0,
            state: 'recording',
          },
        ],
      };
    case 'name':
      return {
        ...report,
        channels: report.channels.map((channel) =>
          channel.slot === step.slot ? { ...channel, name: step.name } : channel,
        ),
      };
    case 'time':
      return { ...report, timeSource: step.source };
  }
}

/** The next thing to do so that the recorder comes to hold the plan; `null` once it does. */
export function nextStep(report: Report, plan: DevicePlan, kept: Kept): DeviceStep | null {
  if (report.factoryValues && kept.settings) return { kind: 'restore' };
  const wanted = new Map(
    plan.channels.flatMap((channel) => (channel.kind === 'ip' ? [[channel.address, channel] as const] : [])),
  );
  const extra = ipOf(report).find(({ address }) => !wanted.has(address));
  const splits = !sameSet(report.ipInputs, plan.ipInputs);
  const change = ((): DeviceStep | null => {
    if (extra) return { kind: 'remove', slot: extra.slot, name: extra.name };
    if (splits) {
      // A camera on an input that turns back would be lost with it; it is taken off first and joins again where it belongs.
      const losing = ipOf(report).find(({ slot }) => slot <= report.inputs && !plan.ipInputs.includes(slot));
      return losing
        ? { kind: 'remove', slot: losing.slot, name: losing.name }
        : { kind: 'split', ipInputs: plan.ipInputs };
    }
    const misplaced = ipOf(report).filter(({ address, slot }) => wanted.get(address)!.slot !== slot);
    const free = misplaced.find(
      ({ address }) =>
        !report.channels.some(({ slot, kind }) => kind === 'ip' && slot === wanted.get(address)!.slot),
    );
    if (free) return { kind: 'move', slot: free.slot, to: wanted.get(free.address)!.slot, name: free.name };
    // A ring: one of them makes way and joins again.
    if (misplaced[0]) return { kind: 'remove', slot: misplaced[0].slot, name: misplaced[0].name };
    const missing = plan.channels.find(
      (channel) => channel.kind === 'ip' && !ipOf(report).some(({ address }) => address === channel.address),
    );
    if (missing?.kind === 'ip')
      return { kind: 'add', slot: missing.slot, address: missing.address, name: missing.name };
    const misnamed = plan.channels.find((channel) =>
      report.channels.some(({ slot, name }) => slot === channel.slot && name !== channel.name),
    );
    if (misnamed) return { kind: 'name', slot: misnamed.slot, name: misnamed.name };
    return plan.timeSource !== null && report.timeSource !== plan.timeSource
      ? { kind: 'time', source: plan.timeSource }
      : null;
  })();
  return change && !kept.settings ? { kind: 'save' } : change;
}

/** More steps than any recorder of 128 slots takes. One that says impossible things of itself could ask for steps without end. */
const mostSteps = 600;

/** All that is left to do, as far as it can be told beforehand. */
export function stepsLeft(report: Report, plan: DevicePlan, kept: Kept): DeviceStep[] {
  const steps: DeviceStep[] = [];
  let [at, held] = [report, kept];
  while (steps.length < mostSteps) {
    const step = nextStep(at, plan, held);
    if (!step) return steps;
    steps.push(step);
    at = after(at, step);
    if (step.kind === 'save') held = { settings: true };
  }
  return steps;
}

/** A step in words. */
export function stepInWords(step: DeviceStep): string {
  switch (step.kind) {
    case 'save':
      return 'Save all settings, before anything is changed';
    case 'restore':
      return 'Put the saved settings back';
    case 'split':
      return step.ipInputs.length === 0
        ? 'Set every input to coax, and restart'
        : `Set ${step.ipInputs.length === 1 ? 'input' : 'inputs'} ${step.ipInputs.join(', ')} to IP, and restart`;
    case 'remove':
      return `Take “${step.name}” off slot ${step.slot}`;
    case 'move':
      return `Move “${step.name}” from slot ${step.slot} to ${step.to}`;
    case 'add':
      return `Add ${step.name} at ${step.address} on slot ${step.slot}`;
    case 'name':
      return `Call slot ${step.slot} “${step.name}”`;
    case 'time':
      return `Take the time from ${step.source}`;
  }
}
