import { spawn } from 'node:child_process';
import { argumentsOf } from './programs';

export interface SpawnedTester { address: string; stop: () => void }

/** The stand-in reads the demo and is ready within a few seconds, or it is done without. */
const longestWaitMs = 20_000;

/** Starts the demo's stand-in cable tester as a process of its own; `null` where it does not come up, which the demo survives. */
export function spawnTester(siteFile: string): Promise<SpawnedTester | null> {
  const truth = siteFile.replace(/\.neotrope\.json$/, '.truth.json');
  const child = spawn(process.execPath, [...argumentsOf('tester'), '--site', siteFile, '--truth', truth], { stdio: ['pipe', 'pipe', 'pipe'] });
  // It ends when this pipe does, however this process ends.
  child.stdin.on('error', () => undefined);
  const stop = () => void child.stdin.end();
  return new Promise((resolve) => {
    let said = '';
    const timer = setTimeout(() => {
      child.kill();
      resolve(null);
    }, longestWaitMs);
    const settle = (tester: SpawnedTester | null): void => {
      clearTimeout(timer);
      resolve(tester);
    };
    child.stdout.on('data', (data: Buffer) => {
      said += data.toString();
      const address = /listens at (\S+)/.exec(said)?.[1];
      if (address) settle({ address, stop });
    });
    child.stderr.on('data', (data: Buffer) => (said += data.toString()));
    child.once('error', () => settle(null));
    child.once('exit', () => {
      if (said && !/listens at/.test(said)) console.error(`The stand-in cable tester did not start: ${said.split('\n')[0]}`);
      settle(null);
    });
  });
}
