import { execFile } from 'node:child_process';
import path from 'node:path';
import { promisify } from 'node:util';
import { root } from './fixtures';

let text: Promise<string> | undefined;

/** The demo with its best plan adopted and every camera on a slot, as a site file; worked out once, beside whatever the browser does. */
export function decidedDemo(): Promise<string> {
  const main = path.join(root, 'tests', 'browser', 'decidedMain.ts');
  text ??= promisify(execFile)(process.execPath, ['--import', 'tsx', main], {
    cwd: root,
    maxBuffer: 50_000_000,
  }).then(({ stdout }) => stdout);
  return text;
}
