import path from 'node:path';
import { pino } from 'pino';
import openRolling from 'pino-roll';
import { faultInWords } from './faultInWords';

/** Room for its notes: five files of two megabytes, the oldest of which goes when another is begun. */
const fileSize = '2m';
const filesBefore = 4;

/** Where in the server something happened: the address as the routes have it, since the ids in it are a customer's. */
export interface Where {
  method: string;
  route: string;
}

/** What the server notes of itself. No facts of a site and no keys go into it, so that it can be handed on. */
export interface ServerLog {
  note: (what: string, figures?: Readonly<Record<string, string | number>>) => void;
  fault: (what: string, error: unknown, where?: Where) => void;
  close: () => Promise<void>;
}

/** Opens the log of a data folder; faults are said on the standard error as well, in one line. */
export async function serverLog(dataDir: string): Promise<ServerLog> {
  const stream = await openRolling({
    file: path.join(dataDir, 'logs', 'neotrope'),
    size: fileSize,
    limit: { count: filesBefore, removeOtherLogFiles: true },
    mkdir: true,
  });
  // A disk that is full, or a folder that is gone, keeps nothing from its work.
  stream.on('error', () => undefined);
  const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, stream);
  return {
    note: (what, figures) => log.info(figures ?? {}, what),
    fault: (what, error, where) => {
      const { kind, frames } = faultInWords(error);
      log.error({ ...where, kind, frames }, what);
      const at = where ? ` at ${where.method} ${where.route}` : '';
      console.error(`${what}: ${kind}${at}: ${frames.join('; ')}`);
    },
    close: () =>
      new Promise((resolve) => {
        stream.once('close', resolve);
        stream.end();
      }),
  };
}
