import { readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { plan } from './plan';

const { status, out, errors, lp } = plan(
  process.argv.slice(2),
  (file) => readFileSync(file, 'utf8'),
  await loadHighs(),
);
for (const line of errors) process.stderr.write(`${line}\n`);
if (out) process.stdout.write(`${out}\n`);
if (lp) writeFileSync(lp.file, lp.text);
process.exitCode = status;
