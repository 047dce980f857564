import type { LineEvent } from '#core/physics/reflectometer';
import type { UnreadTrace } from '#core/evaluate';
import { keepFound, traceTaskOf } from '#core/test/findings';
import { findKept, hashOf, keepAll } from './foundStore';
import { readTraces } from './readTraces';

/** Parts in which traces are told: a person sees the board fill, and each part costs an evaluation. */
const parts = 4;

/** The traces of a site on their way: those that were found earlier at once, the others as threads have read them. */
export interface TraceProgress {
  /** Traces that have not been told yet, by the reading's id. */
  pending: ReadonlyMap<string, UnreadTrace>;
  /** Waits for the next part of them; `false` where none is left. */
  next: () => Promise<boolean>;
}

interface Hashed {
  unread: UnreadTrace;
  hash: string;
}

/** Tells the ones that were found on an earlier day, and gives back the others. */
async function takeKept(hashed: readonly Hashed[], tell: (one: Hashed, found: LineEvent[]) => void) {
  const kept = await findKept(hashed.map(({ hash }) => hash));
  hashed.forEach((one, index) => kept[index] && tell(one, kept[index]));
  return hashed.filter((_, index) => !kept[index]);
}

async function readAll(
  unread: readonly UnreadTrace[],
  tell: (unread: UnreadTrace, found: LineEvent[]) => void,
): Promise<void> {
  if (unread.length === 0) return;
  const hashed = await Promise.all(
    unread.map(async (one): Promise<Hashed> => ({
      unread: one,
      hash: await hashOf(traceTaskOf(one.run, one.reading)),
    })),
  );
  const left = await takeKept(hashed, (one, found) => tell(one.unread, found));
  const fresh = new Map<string, LineEvent[]>();
  const tasks = left.map(({ unread: { run, reading } }) => traceTaskOf(run, reading));
  await readTraces(tasks, (index, found) => {
    const { unread: one, hash } = left[index]!;
    fresh.set(hash, found);
    tell(one, found);
  });
  await keepAll(fresh);
}

/** Begins to read traces. Where threads fail, those that are left count as told: whoever asks for them reads them. */
export function startReading(unread: readonly UnreadTrace[]): TraceProgress {
  const pending = new Map(unread.map((one) => [one.reading.id, one]));
  const perPart = Math.ceil(unread.length / parts);
  let told = 0;
  let wake: (() => void) | undefined;
  const tell = (one: UnreadTrace, found: LineEvent[]): void => {
    keepFound(one.run, one.reading, found);
    pending.delete(one.reading.id);
    told += 1;
    if (told >= perPart || pending.size === 0) wake?.();
  };
  const finish = (): void => {
    // What nobody has read by now is news as well: it is read where it is asked for, and its run is judged.
    told += pending.size;
    pending.clear();
    wake?.();
  };
  readAll(unread, tell).then(finish, finish);
  return {
    pending,
    next: async () => {
      if (pending.size > 0 && told < perPart) await new Promise<void>((resolve) => (wake = resolve));
      const hasNews = told > 0;
      told = 0;
      return hasNews;
    },
  };
}
