import type { IncomingMessage, RequestListener, ServerResponse } from 'node:http';
import { json } from 'node:stream/consumers';
import { z } from 'zod';
import { settingsSchema } from '#core/allocate/device';
import { listen, type Listening } from '../listen';
import {
  add,
  found,
  move,
  Refusal,
  remove,
  rename,
  report,
  restore,
  settingsOf,
  split,
  type Memory,
  type Sold,
} from './recorder';

export interface Bench {
  sold: Sold;
  memory: Memory;
  /** The key that whoever changes something has to show. */
  key: string;
  /** Milliseconds that stand for a minute of a restart. */
  minuteMs: number;
  /** Told whenever something has changed, to keep it over a power cut. */
  keep: (memory: Memory) => void;
}

export interface RunningRecorder extends Listening {
  memory: () => Memory;
}

const slot = z.int().min(1).max(128);
const bodies = {
  session: z.strictObject({ by: z.string().min(1).max(80) }),
  split: z.strictObject({ ipInputs: z.array(slot).max(64) }),
  channel: z.strictObject({ address: z.string(), name: z.string().max(200) }),
  move: z.strictObject({ to: slot }),
  name: z.strictObject({ name: z.string().max(200) }),
  time: z.strictObject({ source: z.string().max(120) }),
};

/** Nobody holds a recorder for longer than this without a word. */
const sessionMs = 60_000;

/** The recorder on an HTTP port of this machine. */
export function startRecorder(
  { sold, memory: first, key, minuteMs, keep }: Bench,
  port: number,
): Promise<RunningRecorder> {
  let memory = first;
  let session: { by: string; token: string; until: number } | null = null;
  let downUntil = 0;
  const set = (next: Memory): void => {
    memory = next;
    keep(memory);
  };

  /** What each address does. Those that change something want the key and the session. */
  async function answer(request: IncomingMessage): Promise<{ status: number; body: unknown }> {
    const { method = 'GET' } = request;
    const path = (request.url ?? '/').split('?')[0]!.split('/').filter(Boolean);
    const given = async <T>(schema: z.ZodType<T>): Promise<T> => {
      const read = schema.safeParse(await json(request).catch(() => null));
      if (!read.success) throw new Refusal(422, 'Not understood.');
      return read.data;
    };
    const ok = (body: unknown = {}) => ({ status: 200, body });
    const route = `${method} ${path.map((part) => (/^\d+$/.test(part) ? ':slot' : part)).join('/')}`;
    const number = Number(path.find((part) => /^\d+$/.test(part)));
    if (route === 'GET state') return ok(report(sold, memory));
    if (route === 'GET cameras') return ok(found(sold));
    if (request.headers['x-key'] !== key)
      return { status: 401, body: { title: 'Refused', detail: 'The key is not the recorder’s.' } };
    if (route === 'POST session') {
      const { by } = await given(bodies.session);
      if (session && session.until > Date.now())
        throw new Refusal(
          409,
          `${session.by} is changing this recorder just now; that ends a minute after the last word.`,
        );
      session = { by, token: crypto.randomUUID(), until: Date.now() + sessionMs };
      return ok({ token: session.token });
    }
    if (!session || session.until <= Date.now() || request.headers['x-session'] !== session.token)
      throw new Refusal(409, 'Somebody else is changing this recorder, or your session has ended.');
    session.until = Date.now() + sessionMs;
    switch (route) {
      case 'DELETE session':
        session = null;
        return ok();
      case 'GET settings':
        return ok(settingsOf(memory));
      case 'PUT settings':
        set(restore(sold, memory, await given(settingsSchema)));
        return ok();
      case 'PUT split': {
        const { memory: next, restarts } = split(sold, memory, (await given(bodies.split)).ipInputs);
        set(next);
        if (restarts) downUntil = Date.now() + sold.recorder.restartMinutes * minuteMs;
        return { status: restarts ? 202 : 200, body: { restarts } };
      }
      case 'POST channels': {
        const { address, name } = await given(bodies.channel);
        const taken = add(sold, memory, address, name);
        set(taken.memory);
        return ok({ slot: taken.slot });
      }
      case 'DELETE channels/:slot':
        set(remove(memory, number));
        return ok();
      case 'POST channels/:slot/move':
        set(move(sold, memory, number, (await given(bodies.move)).to));
        return ok();
      case 'PUT channels/:slot/name':
        set(rename(sold, memory, number, (await given(bodies.name)).name));
        return ok();
      case 'PUT time':
        set({ ...memory, timeSource: (await given(bodies.time)).source });
        return ok();
      default:
        return { status: 404, body: { title: 'Not found', detail: `There is no ${route}.` } };
    }
  }

  function send(response: ServerResponse, status: number, body: unknown): void {
    response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  }

  const answerAll: RequestListener = (request, response) => {
    // While it restarts it hangs up, as a device does that is not up yet.
    if (Date.now() < downUntil) return void request.socket.destroy();
    answer(request).then(
      ({ status, body }) => send(response, status, body),
      (error: unknown) => {
        if (error instanceof Refusal)
          send(response, error.status, { title: 'Refused', detail: error.message });
        else send(response, 500, { title: 'Broken', detail: 'The recorder has gone wrong.' });
      },
    );
  };
  return listen(answerAll, port).then((listening) => ({ ...listening, memory: () => memory }));
}
