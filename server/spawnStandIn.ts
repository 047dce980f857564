import { spawn } from 'node:child_process';
import { argumentsOf, type Program } from './programs';

export interface SpawnedStandIn {
  address: string;
  stop: () => void;
}

/** A stand-in reads the demo and is ready within a few seconds, or it is done without. */
const longestWaitMs = 20_000;

/** Starts one of the demo's stand-ins as a process of its own; `null` where it does not come up, which the demo survives. */
export function spawnStandIn(program: Program, args: readonly string[]): Promise<SpawnedStandIn | null> {
  const child = spawn(process.execPath, [...argumentsOf(program), ...args], {
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  // It ends when this pipe does, however this process ends.
  child.stdin.on('error', () => undefined);
  const stop = () => void child.stdin.end();
  return new Promise((resolve) => {
    let said = '';
    const timer = setTimeout(() => {
      child.kill();
      resolve(null);
    }, longestWaitMs);
    const settle = (standIn: SpawnedStandIn | null): void => {
      clearTimeout(timer);
      resolve(standIn);
    };
    child.stdout.on('data', (data: Buffer) => {
      said += data.toString();
      const address = /listens at (\S+)/.exec(said)?.[1];
      if (address) settle({ address, stop });
    });
    child.stderr.on('data', (data: Buffer) => (said += data.toString()));
    child.once('error', () => settle(null));
    child.once('exit', () => {
      if (said && !/listens at/.test(said))
        console.error(`A stand-in (${program}) did not start: ${said.split('\n')[0]}`);
      settle(null);
    });
  });
}
