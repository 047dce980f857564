// The stand-in cable tester as a process of its own: node --import tsx stand-ins/tester/main.ts --site FILE --truth FILE [--port NUMBER] [--slips SHARE] [--seed NUMBER]
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { parseSiteFile } from '#core/model/site';
import { createRandom } from '#core/shared/random';
import { truthSchema } from '#core/test/instrument';
import { startTester } from './startTester';

const { values } = parseArgs({
  options: {
    site: { type: 'string' },
    truth: { type: 'string' },
    port: { type: 'string', default: '0' },
    slips: { type: 'string', default: '0.04' },
    seed: { type: 'string' },
  },
});
if (!values.site || !values.truth) throw new Error('Needed are --site FILE and --truth FILE.');
const site = parseSiteFile(readFileSync(values.site, 'utf8'));
if (site.kind === 'refused') throw new Error(`${values.site} is not a sound site file.`);
const truth = truthSchema.parse(JSON.parse(readFileSync(values.truth, 'utf8')));

const random = values.seed === undefined ? Math.random : createRandom(Number(values.seed));
const tester = await startTester(
  { site: site.value, truth, random, slips: Number(values.slips) },
  Number(values.port),
);
console.log(`The stand-in cable tester listens at ${tester.address}`);

// Whoever started it holds its standard input; when that one is gone, it has nothing left to do.
const stop = () => void tester.close().then(() => process.exit(0));
process.stdin.on('end', stop).on('error', stop).resume();
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stop);
