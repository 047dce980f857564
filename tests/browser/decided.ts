import { execFile } from 'node:child_process';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import { root } from './fixtures';

const texts = new Map<string, Promise<string>>();

/** What one worker has worked out the others of the same run take from here: they have the parent in common. */
const shared = path.join(tmpdir(), `neotrope-decided-${process.ppid}`);

async function workedOut(program: string, args: readonly string[]): Promise<string> {
  const kept = path.join(shared, [program, ...args].join('-'));
  if (existsSync(kept)) return readFile(kept, 'utf8');
  const main = path.join(root, 'tests', 'browser', program);
  const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', main, ...args], {
    cwd: root,
    maxBuffer: 50_000_000,
  });
  await mkdir(shared, { recursive: true });
  // Whole or not at all: another may look at any moment.
  await writeFile(`${kept}.${process.pid}`, stdout);
  await rename(`${kept}.${process.pid}`, kept);
  return stdout;
}

/** What a program of the tests writes, worked out once, beside whatever the browser does. */
function written(program: string, ...args: string[]): Promise<string> {
  const key = [program, ...args].join(' ');
  const known = texts.get(key);
  if (known) return known;
  const text = workedOut(program, args);
  texts.set(key, text);
  return text;
}

/**
 * The demo with its best plan adopted and every camera on a slot, as a site file. With the id of a camera it is ready to be signed by its
 * customer, and an offer is on record.
 */
export const decidedDemo = (cameraId = ''): Promise<string> =>
  written('decidedMain.ts', ...(cameraId ? [cameraId] : []));

/** The same as the night begins in which the hall recorder turns, with the number and the date of that night. */
export async function demoAtItsTurn(): Promise<{ number: number; date: string; file: string }> {
  const { site, ...night } = JSON.parse(await written('nightMain.ts')) as {
    number: number;
    date: string;
    site: object;
  };
  return { ...night, file: JSON.stringify(site) };
}
