/** Another program holds the database, and went on holding it. */
export class StoreBusy extends Error {
  constructor() {
    super(
      'Another program is writing to the database and does not let go. Nothing was changed; try again in a moment.',
    );
  }
}

const longestMs = 4000;
const pauseMs = 40;

const isHeld = (error: unknown): boolean => {
  const { code, message } = error as { code?: string; message?: string };
  return Boolean(code?.startsWith('SQLITE_BUSY')) || /database is locked/i.test(message ?? '');
};

/** Of two transactions in a database that is shared one went first, and the other has to be gone through anew. */
export function isOutrun(error: unknown): boolean {
  const { code } = error as { code?: string };
  return code === '40001' || code === '40P01';
}

/** What is said of a connection that went away, before its statement or in the middle of it; the statement stands before it. */
const awayWords =
  /\bConnection (?:terminated|ended)\b|connection error and is not queryable|timeout exceeded when trying to connect/i;
const awayCodes = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', '57P01', '57P02', '57P03', '53300'];

/** The database that is shared does not answer, or takes nobody in just now; it is asked again by the next request. */
export function isAway(error: unknown): boolean {
  const { code = '', name, message } = error as { code?: string; name?: string; message?: string };
  return awayCodes.includes(code) || name === 'KnexTimeoutError' || awayWords.test(message ?? '');
}

/**
 * Writes as soon as nobody else does. SQLite's own wait stops the whole process, readers among them; this one lets others go on. Rejects
 * with StoreBusy after four seconds.
 */
export async function whenFree<T>(write: () => Promise<T>): Promise<T> {
  const until = Date.now() + longestMs;
  for (;;) {
    try {
      return await write();
    } catch (error) {
      if (!isHeld(error) && !isOutrun(error)) throw error;
      if (Date.now() >= until) throw new StoreBusy();
      await new Promise((resolve) => setTimeout(resolve, pauseMs));
    }
  }
}
