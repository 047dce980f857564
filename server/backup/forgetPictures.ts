import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { databaseName } from '../store/dataFolder';
import { copiesName } from './dailyCopies';
import { picturesName } from './manifest';
import { contentOf } from './sitesInDatabase';

const dayMs = 24 * 3600 * 1000;
/** A picture that was sent so lately may be named by an edit that has yet to come. */
const daysAtLeast = 30;

const namesIn = (folder: string): string[] => (existsSync(folder) ? readdirSync(folder) : []);

/** The databases that name pictures of a data folder: its own, and its copies of every day, which have no pictures of their own. */
function databasesOf(dataDir: string): string[] {
  const copies = path.join(dataDir, copiesName);
  return [dataDir, ...namesIn(copies).map((name) => path.join(copies, name))]
    .map((folder) => path.join(folder, databaseName))
    .filter((file) => existsSync(file));
}

/**
 * Deletes pictures that no fact names, no edit that can be taken back and no copy. Throws where a database cannot be read; nothing is
 * deleted then.
 * @returns how many went
 */
export function forgetPictures(dataDir: string, now: string): number {
  const named = new Set(databasesOf(dataDir).flatMap((file) => contentOf(file).pictures));
  const before = Date.parse(now) - daysAtLeast * dayMs;
  const folder = path.join(dataDir, picturesName);
  const files = namesIn(folder)
    .filter((name) => !named.has(path.parse(name).name))
    .map((name) => path.join(folder, name));
  const old = files.filter((file) => statSync(file).mtimeMs < before);
  for (const file of old) rmSync(file);
  return old.length;
}
