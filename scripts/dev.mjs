// `npm run dev`: the server and the pages, both renewed as files change.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { installPackages, root } from './prepare.mjs';

await installPackages();
const start = (args) => spawn(process.execPath, args, { cwd: root, stdio: 'inherit' });
const children = [
  start([
    path.join(root, 'node_modules/tsx/dist/cli.mjs'),
    'watch',
    'server/main.ts',
    '--demo',
    ...process.argv.slice(2),
  ]),
  start([path.join(root, 'node_modules/vite/bin/vite.js')]),
];
const stop = () => children.forEach((child) => child.kill());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
for (const child of children) child.on('exit', stop);
console.log('Pages at http://127.0.0.1:4128, renewed as files change.');
