import { readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { command } from './command';
import { plan } from './plan';

await command(async () => {
  const { lp, ...said } = plan(
    process.argv.slice(2),
    (file) => readFileSync(file, 'utf8'),
    await loadHighs(),
  );
  if (lp) writeFileSync(lp.file, lp.text);
  return said;
});
