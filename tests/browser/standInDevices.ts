import { spawn } from 'node:child_process';
import path from 'node:path';
import { root } from './fixtures';

/** A stand-in as a process of its own. */
export interface StandIn {
  address: string;
  stop: () => void;
}

function start(program: string, args: readonly string[]): Promise<StandIn> {
  const child = spawn(process.execPath, [path.join(root, 'programs', program), ...args], {
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.once('error', reject);
    child.stdout.on('data', (data: Buffer) => {
      const address = /listens at (\S+)/.exec(data.toString())?.[1];
      if (address) resolve({ address, stop: () => void child.kill('SIGKILL') });
    });
  });
}

/** The stand-in switch, as the demo’s or in another state. */
export const startStandInSwitch = (
  state = path.join(root, 'demo', 'saltmarrow.switch.json'),
): Promise<StandIn> => start('switch.js', ['--state', state, '--restart', '60000']);

/** The stand-in unit of converters in a state, of which these links lose packets by night. */
export const startStandInConverter = (state: string, losesAtNight: readonly number[]): Promise<StandIn> =>
  start('converter.js', [
    '--state',
    state,
    // None at all is a link that it has not.
    ...(losesAtNight.length > 0 ? losesAtNight : [0]).flatMap((link) => ['--loses-at-night', String(link)]),
  ]);
