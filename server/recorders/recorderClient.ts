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
import { nestsDeeper } from '#core/shared/problems';
import { RecorderError } from './recorderError';

/** Longest answer that is taken; a recorder's settings are some kilobytes. */
const longestAnswer = 1_000_000;

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

const wordsIn = (body: unknown): string => {
  const read = z.looseObject({ detail: z.string() }).safeParse(body);
  return read.success ? read.data.detail.slice(0, 200) : 'it gives no reason.';
};

/** A line to the recorder at `host:port`. Its promises reject with a RecorderError. */
export function recorderClient(address: string, key: string, answerMs: number): DeviceLine {
  let token = '';

  async function ask(method: string, path: string, body?: unknown): Promise<unknown> {
    let text: string;
    let status: number;
    // A timer of its own: one that only its signal holds can be collected before it is due.
    const patience = new AbortController();
    const timer = setTimeout(() => patience.abort(), answerMs);
    try {
      const response = await fetch(`http://${address}/${path}`, {
        method,
        signal: patience.signal,
        redirect: 'error',
        headers: {
          'x-key': key,
          'x-session': token,
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      status = response.status;
      text = await textOf(response);
    } catch (error) {
      if (error instanceof RecorderError) throw error;
      throw new RecorderError(
        'unreachable',
        `Nothing answers at ${address}. Is the recorder on, and in the same network?`,
      );
    } finally {
      clearTimeout(timer);
    }
    if (nestsDeeper(text))
      throw new RecorderError(
        'garbage',
        `What answers at ${address} nests its answer without end. Nothing was taken from it.`,
      );
    let said: unknown;
    try {
      said = JSON.parse(text);
    } catch {
      throw new RecorderError(
        'garbage',
        `What answers at ${address} is no recorder that can be talked to. Nothing was taken from it.`,
      );
    }
    if (status >= 400) throw new RecorderError('refused', `The recorder refuses: ${wordsIn(said)}`);
    return said;
  }

  async function read<T>(schema: z.ZodType<T>, method: string, path: string, body?: unknown): Promise<T> {
    const checked = schema.safeParse(await ask(method, path, body));
    if (!checked.success)
      throw new RecorderError(
        'garbage',
        `What answers at ${address} does not say what a recorder says (${checked.error.issues[0]?.path.join('.') ?? 'its answer'}). Nothing was taken from it.`,
      );
    return checked.data;
  }

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

/** The text of an answer, given up where it goes on without end. */
async function textOf(response: Response): Promise<string> {
  const decoder = new TextDecoder();
  let text = '';
  for await (const chunk of (response.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    text += decoder.decode(chunk, { stream: true });
    if (text.length > longestAnswer)
      throw new RecorderError('garbage', 'The recorder sends without end. Nothing was taken from it.');
  }
  return text;
}
