import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { root } from './fixtures';

const demo = path.join(root, 'demo', 'saltmarrow');

/** A stand-in recorder that can be killed and started again with what it held. */
export class StandInRecorder {
  private child: ChildProcess | undefined;
  private readonly memory = path.join(mkdtempSync(path.join(tmpdir(), 'neotrope-recorder-')), 'memory.json');
  address = '';

  async start(minuteMs: number): Promise<void> {
    const port = this.address.split(':')[1] ?? '0';
    const child = spawn(
      process.execPath,
      [
        'programs/recorder.js',
        '--site',
        `${demo}.neotrope.json`,
        '--network',
        `${demo}.network.json`,
        '--recorder',
        'hall-recorder',
        '--memory',
        this.memory,
        '--minute',
        String(minuteMs),
        '--port',
        port,
      ],
      { cwd: root },
    );
    this.child = child;
    this.address = await new Promise((resolve, reject) => {
      let said = '';
      child.stdout.on('data', (data: Buffer) => {
        said += data.toString();
        const found = /listens at (\S+)/.exec(said)?.[1];
        if (found) resolve(found);
      });
      child.stderr.on('data', (data: Buffer) => (said += data.toString()));
      child.once('exit', () => reject(new Error(`the stand-in ended: ${said}`)));
    });
  }
  async kill(): Promise<void> {
    const gone = new Promise((resolve) => this.child!.once('exit', resolve));
    this.child!.kill('SIGKILL');
    await gone;
  }
  async state(): Promise<{
    ipInputs: number[];
    factoryValues: boolean;
    timeSource: string;
    channels: { slot: number; kind: string; name: string; address?: string }[];
  }> {
    return (await (await fetch(`http://${this.address}/state`)).json()) as never;
  }
}
