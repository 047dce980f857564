import { spawn } from 'node:child_process';
import { text } from 'node:stream/consumers';
import type { Planning } from '#core/decide/plan';
import type { SiteFile } from '#core/model/site';
import { argumentsOf } from '../programs';

/** How many may search at once; a search takes a whole core. */
const mostAtOnce = 2;
let running = 0;

/** The best plan that was found in the time, by a process of its own; `busy` where others are being planned already. Rejects where that process breaks off. */
export async function planInChildProcess(file: SiteFile, secondsMost: number): Promise<Planning | 'busy'> {
  if (running >= mostAtOnce) return 'busy';
  running += 1;
  try {
    const child = spawn(process.execPath, argumentsOf('planChild'), { stdio: ['pipe', 'pipe', 'inherit'] });
    const ended = new Promise<number | null>((resolve, reject) =>
      child.once('error', reject).once('exit', resolve),
    );
    // A process that breaks off closes its input early; how it ended says so.
    child.stdin.on('error', () => undefined);
    child.stdin.end(JSON.stringify({ file, secondsMost }));
    const [said, code] = await Promise.all([text(child.stdout), ended]);
    if (code !== 0) throw new Error(`the planning process ended with ${code}`);
    return JSON.parse(said) as Planning;
  } finally {
    running -= 1;
  }
}
