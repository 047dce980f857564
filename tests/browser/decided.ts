import { execFile } from 'node:child_process';
import path from 'node:path';
import { promisify } from 'node:util';
import { root } from './fixtures';

const texts = new Map<string, Promise<string>>();

/**
 * The demo with its best plan adopted and every camera on a slot, as a site file; worked out once, beside whatever the browser does. With the
 * id of a camera it is ready to be signed by its customer, and an offer is on record.
 */
export function decidedDemo(cameraId = ''): Promise<string> {
  const main = path.join(root, 'tests', 'browser', 'decidedMain.ts');
  const known = texts.get(cameraId);
  if (known) return known;
  const text = promisify(execFile)(
    process.execPath,
    ['--import', 'tsx', main, ...(cameraId ? [cameraId] : [])],
    {
      cwd: root,
      maxBuffer: 50_000_000,
    },
  ).then(({ stdout }) => stdout);
  texts.set(cameraId, text);
  return text;
}
