// Installs what is missing. Plain Node, since nothing can be imported before it has run.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const root = path.resolve(import.meta.dirname, '..');
const stamp = path.join(root, 'node_modules', '.neotrope-lock');

/** Runs a command with its output shown; ends the process with one line where it fails. */
export function run(command, args, what, env = {}) {
  try {
    execFileSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  } catch {
    console.error(`${what} failed.`);
    process.exit(1);
  }
}

/** A tool of the project's own, run by the Node that runs this. */
export function tool(name, args, what, env) {
  run(process.execPath, [path.join(root, 'node_modules', ...name.split('/')), ...args], what, env);
}

/** Installs the packages of the lock file, unless that has been done for this very lock file. */
export function installPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Neotrope needs Node 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const lock = createHash('sha256').update(readFileSync(path.join(root, 'package-lock.json'))).digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  // What is there already is kept: compiling the database anew is what takes minutes.
  const isFirst = !existsSync(path.join(root, 'node_modules'));
  console.log(isFirst ? 'Installing packages; the first time takes a few minutes.' : 'Bringing the packages up to date.');
  run(process.platform === 'win32' ? 'npm.cmd' : 'npm', [isFirst ? 'ci' : 'install'], 'Installing the packages');
  writeFileSync(stamp, lock);
}

/** Builds the pages. */
export function build() {
  tool('vite/bin/vite.js', ['build', '--logLevel', 'warn'], 'Building the pages');
}
