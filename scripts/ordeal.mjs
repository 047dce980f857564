// `npm run ordeal`: the server under kills, hostile requests and long use; `--short` in some minutes, `--accounts` with everybody signed in, `--postgres` on a database that servers share, `--only PART` one of its parts, `--seed N` for other chances.
import { buildPrograms, installPackages, run, tool } from './prepare.mjs';

await installPackages();
buildPrograms();
tool('vite/bin/vite.js', ['build', '--config', 'bench/ordeal/vite.config.ts'], 'Building the ordeal');
run(process.execPath, ['node_modules/.ordeal/main.js', ...process.argv.slice(2)], 'The ordeal');
