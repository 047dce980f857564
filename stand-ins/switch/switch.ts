import type { z } from 'zod';
import { switchReportSchema, type SwitchReport } from '#core/connect/switchReport';

/** A switch as the file of the demo has it: what it is, and what hangs on its ports. */
export const switchStateSchema = switchReportSchema.refine(
  ({ ports }) => new Set(ports.map(({ number }) => number)).size === ports.length,
  'each port once',
);
export type SwitchState = z.infer<typeof switchStateSchema>;

/** How long what hangs on a port takes to be back, in turns of the clock. */
export interface Restarting {
  port: number;
  until: number;
}

/** What the switch tells at a moment: a port that starts anew gives no power and has no link. */
export function reportAt(state: SwitchState, restarting: readonly Restarting[], now: number): SwitchReport {
  const isDown = (number: number): boolean =>
    restarting.some(({ port, until }) => port === number && now < until);
  return {
    ...state,
    ports: state.ports.map((port) =>
      isDown(port.number)
        ? { ...port, isUp: false, mbps: 0, seen: [], poe: port.poe && { ...port.poe, isOn: false, watts: 0 } }
        : port,
    ),
  };
}
