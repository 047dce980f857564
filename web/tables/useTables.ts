import { wrap, type Remote } from 'comlink';
import type { Tables } from './tables.worker';

let worker: Remote<Tables> | undefined;

/** The thread that reads and writes tables, started when it is first asked for. */
export function useTables(): Remote<Tables> {
  worker ??= wrap<Tables>(new Worker(new URL('./tables.worker.ts', import.meta.url), { type: 'module' }));
  return worker;
}

/** Hands a file to the person. */
export function downloadBlob(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
