// `npm run bench`: the figures, as a table.
import { build, installPackages, run, tool } from './prepare.mjs';

await installPackages();
build();
tool('vite/bin/vite.js', ['build', '--config', 'bench/vite.config.ts'], 'Building the bench');
run(process.execPath, ['programs/bench.js'], 'The bench');
