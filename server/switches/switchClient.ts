import { z } from 'zod';
import {
  portCountersSchema,
  switchReportSchema,
  type PortCounters,
  type SwitchReport,
} from '#core/connect/switchReport';
import { deviceRequest } from '../devices/deviceRequest';

/** A conversation with a switch, by whoever holds its key. */
export interface SwitchLine {
  report: () => Promise<SwitchReport>;
  /** What a port counted over the last hours. */
  counters: (port: number) => Promise<PortCounters>;
  /** Takes the power off a port and gives it back, so that whatever hangs on it starts anew. */
  restartPort: (port: number) => Promise<void>;
}

/** A line to the switch at `host:port`. Its promises reject with a DeviceError. */
export function switchClient(address: string, key: string, answerMs: number): SwitchLine {
  const { read } = deviceRequest({ what: 'switch', address, headers: () => ({ 'x-key': key }), answerMs });
  return {
    report: () => read(switchReportSchema, 'GET', 'state'),
    counters: (port) => read(portCountersSchema, 'GET', `ports/${port}/counters`),
    restartPort: async (port) => void (await read(z.looseObject({}), 'POST', `ports/${port}/restart`, {})),
  };
}
