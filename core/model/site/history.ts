import type { LogEntry } from './edit';

export interface History {
  undoable: LogEntry[];
  redoable: LogEntry[];
}

/**
 * What can be undone and done again, latest last, read from the site's log alone, so that it survives
 * a reload and is the same in every window.
 */
export function historyOf(log: readonly LogEntry[]): History {
  const undoable: LogEntry[] = [];
  let redoable: LogEntry[] = [];
  const byId = new Map(log.map((entry) => [entry.id, entry]));
  for (const entry of log) {
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
  return { undoable, redoable };
}
