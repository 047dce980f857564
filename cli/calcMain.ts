import { readFileSync } from 'node:fs';
import { calc, calcUsage } from './calc';
import { command } from './command';

await command(calcUsage, (args) => calc(args, () => readFileSync(0, 'utf8')));
