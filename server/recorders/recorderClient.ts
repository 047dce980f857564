import { z } from 'zod';
import {
  foundSchema,
  reportSchema,
  settingsSchema,
  type DeviceStep,
  type FoundCamera,
  type Report,
  type Settings,
} from '#core/allocate/device';
import { deviceRequest } from '../devices/deviceRequest';

/** A conversation with a recorder, by whoever holds its key. */
export interface DeviceLine {
  report: () => Promise<Report>;
  cameras: () => Promise<FoundCamera[]>;
  open: (by: string) => Promise<void>;
  close: () => Promise<void>;
  settings: () => Promise<Settings>;
  restore: (settings: Settings) => Promise<void>;
  /** Does a step that is neither saving nor restoring. */
  perform: (step: Exclude<DeviceStep, { kind: 'save' | 'restore' }>) => Promise<void>;
}

/** A line to the recorder at `host:port`. Its promises reject with a DeviceError. */
export function recorderClient(address: string, key: string, answerMs: number): DeviceLine {
  let token = '';
  const { ask, read } = deviceRequest({
    what: 'recorder',
    address,
    headers: () => ({ 'x-key': key, 'x-session': token }),
    answerMs,
  });

  return {
    report: () => read(reportSchema, 'GET', 'state'),
    cameras: () => read(z.array(foundSchema).max(1000), 'GET', 'cameras'),
    open: async (by) => {
      token = (await read(z.strictObject({ token: z.string().max(200) }), 'POST', 'session', { by })).token;
    },
    close: async () => void (await ask('DELETE', 'session').catch(() => undefined)),
    settings: () => read(settingsSchema, 'GET', 'settings'),
    restore: async (settings) => void (await ask('PUT', 'settings', settings)),
    perform: async (step) => {
      switch (step.kind) {
        case 'split':
          return void (await ask('PUT', 'split', { ipInputs: step.ipInputs }));
        case 'remove':
          return void (await ask('DELETE', `channels/${step.slot}`));
        case 'move':
          return void (await ask('POST', `channels/${step.slot}/move`, { to: step.to }));
        case 'add':
          return void (await ask('POST', 'channels', { address: step.address, name: step.name }));
        case 'name':
          return void (await ask('PUT', `channels/${step.slot}/name`, { name: step.name }));
        case 'time':
          return void (await ask('PUT', 'time', { source: step.source }));
      }
    },
  };
}
