// The stand-in unit of converters as a process of its own: node --import tsx stand-ins/converter/main.ts --state FILE [--port NUMBER] [--loses-at-night LINK]…
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { converterReportSchema } from '#core/connect/converterReport';
import { startConverter } from './startConverter';

const { values } = parseArgs({
  options: {
    state: { type: 'string' },
    port: { type: 'string', default: '0' },
    'loses-at-night': { type: 'string', multiple: true, default: ['2'] },
  },
});
if (!values.state) throw new Error('Needed is --state FILE.');
const report = converterReportSchema.parse(JSON.parse(readFileSync(values.state, 'utf8')));
const running = await startConverter(
  { report, losesAtNight: values['loses-at-night'].map(Number) },
  Number(values.port),
);
console.log(`The stand-in unit ${report.name} listens at ${running.address}`);

// Whoever started it holds its standard input; when that one is gone, it has nothing left to do.
const stop = () => void running.close().then(() => process.exit(0));
process.stdin.on('end', stop).on('error', stop).resume();
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stop);
