// `npm start` and, with --demo, `npm run demo`: install what is missing, build, serve.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { build, installPackages, root } from './prepare.mjs';

await installPackages();
build();
const server = spawn(process.execPath, [path.join(root, 'programs', 'server.js'), ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
