import { readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { command } from './command';
import { plan, planUsage } from './plan';

await command(planUsage, async (args) => {
  const { lp, ...said } = plan(args, (file) => readFileSync(file, 'utf8'), await loadHighs());
  if (lp) writeFileSync(lp.file, lp.text);
  return said;
});
