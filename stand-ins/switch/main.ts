// The stand-in switch as a process of its own: node --import tsx stand-ins/switch/main.ts --state FILE [--port NUMBER] [--key WORD] [--restart MILLISECONDS] [--loses-at-night PORT]…
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { startSwitch } from './startSwitch';
import { switchStateSchema } from './switch';

const { values } = parseArgs({
  options: {
    state: { type: 'string' },
    port: { type: 'string', default: '0' },
    key: { type: 'string', default: 'ferry' },
    restart: { type: 'string', default: '4000' },
    'loses-at-night': { type: 'string', multiple: true, default: ['2'] },
  },
});
if (!values.state) throw new Error('Needed is --state FILE.');
const state = switchStateSchema.parse(JSON.parse(readFileSync(values.state, 'utf8')));
const running = await startSwitch(
  {
    state,
    key: values.key,
    restartMs: Number(values.restart),
    losesAtNight: values['loses-at-night'].map(Number),
  },
  Number(values.port),
);
console.log(`The stand-in switch ${state.name} listens at ${running.address}`);

// Whoever started it holds its standard input; when that one is gone, it has nothing left to do.
const stop = () => void running.close().then(() => process.exit(0));
process.stdin.on('end', stop).on('error', stop).resume();
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stop);
