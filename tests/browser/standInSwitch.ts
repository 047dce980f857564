import { spawn } from 'node:child_process';
import path from 'node:path';
import { root } from './fixtures';

/** The stand-in switch as a process of its own, as the demo’s or in another state. */
export function startStandInSwitch(
  state = path.join(root, 'demo', 'saltmarrow.switch.json'),
): Promise<{ address: string; stop: () => void }> {
  const child = spawn(
    process.execPath,
    [path.join(root, 'programs', 'switch.js'), '--state', state, '--restart', '60000'],
    { stdio: ['pipe', 'pipe', 'inherit'] },
  );
  return new Promise((resolve, reject) => {
    child.once('error', reject);
    child.stdout.on('data', (data: Buffer) => {
      const address = /listens at (\S+)/.exec(data.toString())?.[1];
      if (address) resolve({ address, stop: () => void child.kill('SIGKILL') });
    });
  });
}
