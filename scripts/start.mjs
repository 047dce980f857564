// `npm start` and, with --demo, `npm run demo`: install what is missing, build, serve.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { build, installPackages, root } from './prepare.mjs';

installPackages();
build();
const server = spawn(process.execPath, ['--import', 'tsx', path.join(root, 'server', 'main.ts'), ...process.argv.slice(2)], { cwd: root, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
