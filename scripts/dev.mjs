// `npm run dev`: the server and the pages, both renewed as files change.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { installPackages, root } from './prepare.mjs';

const usage = `Usage: npm run dev -- [OPTIONS]

  --port NUMBER   the port of the server at 127.0.0.1 (4127); the pages are at the next one
  --help          show this text

Everything else goes to the server as it is: see npm start -- --help.`;

const args = process.argv.slice(2);
const { values } = parseArgs({
  args,
  strict: false,
  options: { port: { type: 'string', default: '4127' }, help: { type: 'boolean', short: 'h' } },
});
if (values.help) {
  console.log(usage);
  process.exit(0);
}
const port = Number(values.port);
if (!Number.isInteger(port) || port < 1 || port > 65_534) {
  console.error(`--port is ${JSON.stringify(values.port)}, allowed: a whole number from 1 to 65534.`);
  process.exit(2);
}

await installPackages();
const start = (program, ...rest) =>
  spawn(process.execPath, [path.join(root, 'node_modules', program), ...rest], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NEOTROPE_PORT: String(port) },
  });
const children = [
  start('tsx/dist/cli.mjs', 'watch', 'server/main.ts', '--demo', ...args),
  start('vite/bin/vite.js'),
];
const stop = () => children.forEach((child) => child.kill());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
for (const child of children) child.on('exit', stop);
console.log(`Pages at http://127.0.0.1:${port + 1}, renewed as files change.`);
