// Installs what is missing. Plain Node, since nothing can be imported before it has run.
import './nodeVersion.mjs';
import { execFileSync, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { compressPages } from './compressPages.mjs';

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

/** The same, beside whatever else goes on. */
export async function beside(command, args, what, env = {}) {
  const child = spawn(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  const code = await new Promise((resolve) => child.once('error', () => resolve(1)).once('exit', resolve));
  if (code === 0) return;
  console.error(`${what} failed.`);
  process.exit(1);
}

const inPackages = (name) => path.join(root, 'node_modules', ...name.split('/'));

/** A tool of the project's own, beside whatever else goes on. */
export const toolBeside = (name, args, what, env) =>
  beside(process.execPath, [inPackages(name), ...args], what, env);

/** A tool of the project's own, run by the Node that runs this. */
export function tool(name, args, what, env) {
  run(process.execPath, [inPackages(name), ...args], what, env);
}

/** Installs the packages of the lock file, unless that has been done for this very lock file. */
export async function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  // What is there already is kept: compiling the database anew is what takes minutes.
  const isFirst = !existsSync(path.join(root, 'node_modules'));
  console.log(
    isFirst
      ? 'Installing packages; the first time takes a few minutes.'
      : 'Bringing the packages up to date.',
  );
  await beside(
    process.platform === 'win32' ? 'npm.cmd' : 'npm',
    [isFirst ? 'ci' : 'install'],
    'Installing the packages',
  );
  writeFileSync(stamp, lock);
}

export function buildPrograms() {
  tool(
    'vite/bin/vite.js',
    ['build', '--config', 'vite.programs.config.ts', '--logLevel', 'warn'],
    'Building the programs',
  );
}

/** Builds the pages, and the programs that run in Node. */
export async function build() {
  buildPrograms();
  tool('vite/bin/vite.js', ['build', '--logLevel', 'warn'], 'Building the pages');
  await compressPages(path.join(root, 'dist'));
}
