// The stand-in recorder as a process of its own: node --import tsx stand-ins/recorder/main.ts --site FILE --network FILE --recorder ID [--port NUMBER] [--key WORD] [--minute MILLISECONDS] [--memory FILE]
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { parseSiteFile } from '#core/model/site';
import { networkSchema } from './network';
import { initialState, memorySchema, picturesOf, type Sold } from './recorder';
import { startRecorder } from './startRecorder';

const { values } = parseArgs({
  options: {
    site: { type: 'string' },
    network: { type: 'string' },
    recorder: { type: 'string' },
    port: { type: 'string', default: '0' },
    key: { type: 'string', default: 'ferry' },
    minute: { type: 'string', default: '500' },
    memory: { type: 'string' },
  },
});
if (!values.site || !values.network || !values.recorder)
  throw new Error('Needed are --site FILE, --network FILE and --recorder ID.');
const read = parseSiteFile(readFileSync(values.site, 'utf8'));
if (read.kind === 'refused') throw new Error(`${values.site} is not a sound site file.`);
const site = read.value;
const recorder = site.recorder[values.recorder];
if (!recorder) throw new Error(`${values.site} has no recorder ${values.recorder}.`);

const sold: Sold = {
  recorder,
  pictures: picturesOf(site, recorder.id),
  network: networkSchema.parse(JSON.parse(readFileSync(values.network, 'utf8'))),
};
const { memory: memoryFile } = values;
const memory =
  memoryFile !== undefined && existsSync(memoryFile)
    ? memorySchema.parse(JSON.parse(readFileSync(memoryFile, 'utf8')))
    : initialState(sold);
const running = await startRecorder(
  {
    sold,
    memory,
    key: values.key,
    minuteMs: Number(values.minute),
    keep: (next) => {
      if (memoryFile !== undefined) writeFileSync(memoryFile, JSON.stringify(next));
    },
  },
  Number(values.port),
);
console.log(`The stand-in recorder ${recorder.name} listens at ${running.address}`);

// Whoever started it holds its standard input; when that one is gone, it has nothing left to do.
const stop = () => void running.close().then(() => process.exit(0));
process.stdin.on('end', stop).on('error', stop).resume();
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stop);
