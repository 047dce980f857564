import { spawn, type ChildProcess } from 'node:child_process';
import { text } from 'node:stream/consumers';
import { argumentsOf } from '../programs';
import type { JobKind, Jobs } from './jobs';
import type { Order } from './work';

/** Memory that a process may take; a site of thousands of cameras takes a tenth of it. */
const mostMegabytes = 2048;

async function inProcess<K extends JobKind>(
  order: Order<K>,
  working: Set<ChildProcess>,
): Promise<Jobs[K]['answer']> {
  const child = spawn(
    process.execPath,
    [`--max-old-space-size=${mostMegabytes}`, ...argumentsOf('evaluation')],
    { stdio: ['pipe', 'pipe', 'inherit'] },
  );
  working.add(child);
  const ended = new Promise<number | null>((resolve, reject) =>
    child.once('error', reject).once('exit', resolve),
  ).finally(() => working.delete(child));
  // Where no process can be made, its ends are not there, and how it ended says so.
  const [{ stdin, stdout }, isThere] = [child, Boolean(child.pid)];
  if (!isThere) {
    await ended.catch((error: unknown) => {
      throw new Error(`no process for ${order.kind} could be made: ${(error as Error).message}`);
    });
    throw new Error(`no process for ${order.kind} could be made`);
  }
  // A process that breaks off closes its input early; how it ended says so.
  stdin.on('error', () => undefined);
  stdin.end(JSON.stringify(order));
  const [said, code] = await Promise.all([text(stdout), ended]);
  if (code !== 0) throw new Error(`the process for ${order.kind} ended with ${code}`);
  return JSON.parse(said) as Jobs[K]['answer'];
}

/** Processes that each do one order; none outlives whoever had them made. */
export interface ChildProcesses {
  run: <K extends JobKind>(order: Order<K>) => Promise<Jobs[K]['answer']>;
  end: () => void;
}

export function childProcesses(): ChildProcesses {
  const working = new Set<ChildProcess>();
  return {
    run: (order) => inProcess(order, working),
    end: () => {
      for (const child of working) child.kill('SIGKILL');
    },
  };
}
