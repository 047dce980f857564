import type { Remote } from 'comlink';
import { ref } from 'vue';
import { threadCalls } from '../workers/threadCalls';
import type { Tables } from './tables.worker';

/** Whether tables can neither be read nor written at the moment; until somebody has seen it. */
export const tablesFailed = ref(false);

const tables = threadCalls<Tables>(
  () => new Worker(new URL('./tables.worker.ts', import.meta.url), { type: 'module' }),
  () => (tablesFailed.value = true),
);

/** The thread that reads and writes tables, started when it is first asked for. */
export const useTables = (): Remote<Tables> => tables;

/** Hands a file to the person. */
export function downloadBlob(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
