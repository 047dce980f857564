// `npm start`, `npm run demo` and `npm run worker`: install what is missing, build, run.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { build, buildPrograms, installPackages, root } from './prepare.mjs';

await installPackages();
const given = process.argv.slice(2);
const isWorker = given[0] === 'worker';
// A worker shows no pages.
if (isWorker) buildPrograms();
else await build();
const [program, args] = isWorker ? ['worker.js', given.slice(1)] : ['server.js', given];
const server = spawn(process.execPath, [path.join(root, 'programs', program), ...args], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
