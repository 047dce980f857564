import pg from 'pg';
import type { ServerLog } from '../log/serverLog';

const channel = 'neotrope_news';
const firstWaitMs = 500;
const longestWaitMs = 15_000;

/** What servers on one database tell each other. Nobody hears what he said himself. */
export interface NewsLine<T> {
  say: (message: T) => void;
  close: () => Promise<void>;
}

interface Told<T> {
  from: string;
  message: T;
}

/** What is done with what comes over the line. */
export interface Hearing<T> {
  heard: (message: T) => void;
  /** The line was broken for a while: what was said meanwhile is not known. */
  missed: () => void;
}

/**
 * Listens on a connection of its own for as long as it is open, and connects again where that breaks. What is said while nobody can be
 * reached is dropped: whoever listens elsewhere finds out by himself a little later.
 */
export async function newsLine<T>(
  url: string,
  { heard, missed }: Hearing<T>,
  log: Pick<ServerLog, 'fault'>,
): Promise<NewsLine<T>> {
  const from = crypto.randomUUID();
  let isClosed = false;
  let client: pg.Client | null = null;
  let again: NodeJS.Timeout | undefined;

  function hear(payload: string | undefined): void {
    const told = JSON.parse(payload ?? 'null') as Told<T> | null;
    if (told && told.from !== from) heard(told.message);
  }
  async function connect(): Promise<void> {
    const next = new pg.Client({ connectionString: url, keepAlive: true });
    next.on('notification', ({ payload }) => hear(payload));
    let isBroken = false;
    const broken = (): void => {
      if (isBroken) return;
      isBroken = true;
      client = null;
      void next.end().catch(() => undefined);
      connectAgain(firstWaitMs);
    };
    next.on('error', broken);
    next.on('end', broken);
    try {
      await next.connect();
      await next.query(`listen ${channel}`);
    } catch (error) {
      isBroken = true;
      await next.end().catch(() => undefined);
      throw error;
    }
    client = next;
  }
  function connectAgain(waitMs: number): void {
    if (isClosed) return;
    again = setTimeout(() => {
      connect().then(missed, (error: unknown) => {
        log.fault('Other servers cannot be heard', error);
        connectAgain(Math.min(longestWaitMs, waitMs * 2));
      });
    }, waitMs);
    again.unref();
  }

  await connect();
  return {
    say: (message) => {
      const told: Told<T> = { from, message };
      void client
        ?.query('select pg_notify($1, $2)', [channel, JSON.stringify(told)])
        .catch((error: unknown) => isClosed || log.fault('Other servers could not be told', error));
    },
    close: async () => {
      isClosed = true;
      clearTimeout(again);
      const last = client;
      client = null;
      await last?.end().catch(() => undefined);
    },
  };
}
