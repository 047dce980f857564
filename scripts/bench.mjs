// `npm run bench`: the figures, as a table; `-- --planning` and the like: those of one part. `-- --judgement`: how good the diagnosis is on
// runs whose truth is known.
import { build, installPackages, run, tool } from './prepare.mjs';

await installPackages();
await build();
tool('vite/bin/vite.js', ['build', '--config', 'bench/vite.config.ts'], 'Building the bench');
run(process.execPath, ['programs/bench.js', ...process.argv.slice(2)], 'The bench');
