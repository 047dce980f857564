import { execFile } from 'node:child_process';
import path from 'node:path';
import { promisify } from 'node:util';
import { root } from './fixtures';

const texts = new Map<string, Promise<string>>();

/** What a program of the tests writes, worked out once, beside whatever the browser does. */
function written(program: string, ...args: string[]): Promise<string> {
  const key = [program, ...args].join(' ');
  const known = texts.get(key);
  if (known) return known;
  const main = path.join(root, 'tests', 'browser', program);
  const text = promisify(execFile)(process.execPath, ['--import', 'tsx', main, ...args], {
    cwd: root,
    maxBuffer: 50_000_000,
  }).then(({ stdout }) => stdout);
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
