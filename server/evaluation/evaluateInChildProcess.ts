import { spawn, type ChildProcess } from 'node:child_process';
import { text } from 'node:stream/consumers';
import { toSiteFile, type Site, type SiteFile } from '#core/model/site';
import { argumentsOf } from '../programs';
import type { JobKind, Jobs } from './jobs';

/** What the process beside is sent. */
export interface Order<K extends JobKind = JobKind> {
  kind: K;
  file: SiteFile;
  asked: Jobs[K]['asked'];
}

/** Processes that are at work, so that none outlives the server. */
const working = new Set<ChildProcess>();

/** Ends whatever is being worked out. */
export function endEvaluations(): void {
  for (const child of working) child.kill('SIGKILL');
}

/** Memory that a process may take; a site of thousands of cameras takes a tenth of it. */
const mostMegabytes = 2048;

async function inProcess<K extends JobKind>(order: Order<K>): Promise<Jobs[K]['answer']> {
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

/** How many plans may be sought at once; each takes a whole core for as long as it was given. */
const mostPlans = 2;
let plans = 0;

/** The best plan that was found in the time, by a process of its own; `busy` where others are being planned already. Rejects where that process breaks off. */
export async function planInChildProcess(
  site: Site,
  secondsMost: number,
): Promise<Jobs['plan']['answer'] | 'busy'> {
  if (plans >= mostPlans) return 'busy';
  plans += 1;
  try {
    return await inProcess({ kind: 'plan', file: toSiteFile(site), asked: { secondsMost } });
  } finally {
    plans -= 1;
  }
}

let turn: Promise<unknown> = Promise.resolve();

/** Has something that takes a moment worked out by a process of its own, one after another. Rejects where that process breaks off. */
export function evaluateInChildProcess<K extends Exclude<JobKind, 'plan'>>(
  kind: K,
  site: Site,
  asked: Jobs[K]['asked'],
): Promise<Jobs[K]['answer']> {
  const mine = turn.then(() => inProcess({ kind, file: toSiteFile(site), asked }));
  turn = mine.catch(() => undefined);
  return mine;
}
