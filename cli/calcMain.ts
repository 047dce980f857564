import { readFileSync } from 'node:fs';
import { calc } from './calc';

const { status, out, errors } = calc(process.argv.slice(2), () => readFileSync(0, 'utf8'));
for (const line of errors) process.stderr.write(`${line}\n`);
if (out) process.stdout.write(`${out}\n`);
process.exitCode = status;
