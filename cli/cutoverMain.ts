import { readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { command } from './command';
import { cutover, cutoverUsage } from './cutover';

await command(cutoverUsage, async (args) => {
  const startMs = performance.now();
  const { lp, ...said } = cutover(args, (file) => readFileSync(file, 'utf8'), await loadHighs(), {
    today: new Date().toISOString().slice(0, 10),
    secondsSince: () => (performance.now() - startMs) / 1000,
  });
  if (lp) writeFileSync(lp.file, lp.text);
  return said;
});
