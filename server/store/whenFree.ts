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
      if (!isHeld(error)) throw error;
      if (Date.now() >= until) throw new StoreBusy();
      await new Promise((resolve) => setTimeout(resolve, pauseMs));
    }
  }
}
