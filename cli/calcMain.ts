import { readFileSync } from 'node:fs';
import { calc } from './calc';
import { command } from './command';

await command(() => calc(process.argv.slice(2), () => readFileSync(0, 'utf8')));
