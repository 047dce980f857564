import type { LogEntry } from './edit';

export interface History {
  undoable: LogEntry[];
  redoable: LogEntry[];
}

const keyOf = ({ kind, id }: LogEntry['changes'][number]): string => `${kind}/${id}`;

/** Edits of one's own that nobody else has built on since: taking back another would undo the others' work with it. */
function untouched(entries: readonly LogEntry[], log: readonly LogEntry[], isOwn: IsOwn): LogEntry[] {
  const touched = new Set<string>();
  const free = new Set<LogEntry>();
  const asked = new Set(entries);
  for (const entry of [...log].reverse()) {
    if (asked.has(entry) && !entry.changes.some((change) => touched.has(keyOf(change)))) free.add(entry);
    if (!isOwn(entry)) for (const change of entry.changes) touched.add(keyOf(change));
  }
  return entries.filter((entry) => free.has(entry));
}

type IsOwn = (entry: LogEntry) => boolean;

/**
 * What a person can undo and do again of his own, latest last, read from the site's log alone, so that it survives a reload and is the same
 * in every window. A colleague's edits are his to take back; where he built on one of these, it stays.
 */
export function historyOf(log: readonly LogEntry[], isOwn: IsOwn = () => true): History {
  const undoable: LogEntry[] = [];
  let redoable: LogEntry[] = [];
  const byId = new Map(log.map((entry) => [entry.id, entry]));
  for (const entry of log.filter(isOwn)) {
    switch (entry.operation.kind) {
      case 'do':
        undoable.push(entry);
        redoable = [];
        break;
      case 'undo': {
        const undone = byId.get(entry.operation.of);
        if (undoable.at(-1)?.id === entry.operation.of) undoable.pop();
        if (undone) redoable.push(undone);
        break;
      }
      case 'redo': {
        const again = byId.get(entry.operation.of);
        if (redoable.at(-1)?.id === entry.operation.of) redoable.pop();
        if (again) undoable.push(again);
        break;
      }
    }
  }
  return { undoable: untouched(undoable, log, isOwn), redoable: untouched(redoable, log, isOwn) };
}
