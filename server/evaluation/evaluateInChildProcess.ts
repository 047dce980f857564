import { spawn } from 'node:child_process';
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

async function inProcess<K extends JobKind>(order: Order<K>): Promise<Jobs[K]['answer']> {
  const child = spawn(process.execPath, argumentsOf('evaluation'), { stdio: ['pipe', 'pipe', 'inherit'] });
  const ended = new Promise<number | null>((resolve, reject) =>
    child.once('error', reject).once('exit', resolve),
  );
  // A process that breaks off closes its input early; how it ended says so.
  child.stdin.on('error', () => undefined);
  child.stdin.end(JSON.stringify(order));
  const [said, code] = await Promise.all([text(child.stdout), ended]);
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
