import { z } from 'zod';
import { nestsDeeper } from '#core/shared/problems';
import { DeviceError } from './deviceError';

/** Longest answer that is taken; what a device says of itself is some kilobytes. */
const longestAnswer = 1_000_000;

const wordsIn = (body: unknown): string => {
  const read = z.looseObject({ detail: z.string() }).safeParse(body);
  return read.success ? read.data.detail.slice(0, 200) : 'it gives no reason.';
};

/** Who is asked and how: what it is called in a sentence, where it is, what is sent along, and how long it may take. */
export interface DeviceAsked {
  what: 'recorder' | 'switch' | 'converter';
  address: string;
  headers: () => Record<string, string>;
  answerMs: number;
}

/** Asks a device over HTTP. Rejects with a DeviceError where it is silent, says what nobody can read, or refuses. */
export interface DeviceRequest {
  ask: (method: string, path: string, body?: unknown) => Promise<unknown>;
  read: <T>(schema: z.ZodType<T>, method: string, path: string, body?: unknown) => Promise<T>;
}

export function deviceRequest({ what, address, headers, answerMs }: DeviceAsked): DeviceRequest {
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
          ...headers(),
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      status = response.status;
      text = await textOf(response, what);
    } catch (error) {
      if (error instanceof DeviceError) throw error;
      throw new DeviceError(
        'unreachable',
        `Nothing answers at ${address}. Is the ${what} on, and in the same network?`,
      );
    } finally {
      clearTimeout(timer);
    }
    if (nestsDeeper(text))
      throw new DeviceError(
        'garbage',
        `What answers at ${address} nests its answer without end. Nothing was taken from it.`,
      );
    let said: unknown;
    try {
      said = JSON.parse(text);
    } catch {
      throw new DeviceError(
        'garbage',
        `What answers at ${address} is no ${what} that can be talked to. Nothing was taken from it.`,
      );
    }
    if (status >= 400) throw new DeviceError('refused', `The ${what} refuses: ${wordsIn(said)}`);
    return said;
  }

  async function read<T>(schema: z.ZodType<T>, method: string, path: string, body?: unknown): Promise<T> {
    const checked = schema.safeParse(await ask(method, path, body));
    if (!checked.success)
      throw new DeviceError(
        'garbage',
        `What answers at ${address} does not say what a ${what} says (${checked.error.issues[0]?.path.join('.') ?? 'its answer'}). Nothing was taken from it.`,
      );
    return checked.data;
  }
  return { ask, read };
}

/** The text of an answer, given up where it goes on without end. */
async function textOf(response: Response, what: string): Promise<string> {
  const decoder = new TextDecoder();
  let text = '';
  for await (const chunk of (response.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    text += decoder.decode(chunk, { stream: true });
    if (text.length > longestAnswer)
      throw new DeviceError('garbage', `The ${what} sends without end. Nothing was taken from it.`);
  }
  return text;
}
