import { spawn } from 'node:child_process';
import { existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { argumentsOf } from '../programs';

export const copiesName = 'copies';
/** Every day of the last week, and one of each week for eight weeks before. */
const daysKept = 7;
const weeksKept = 8;
const dayMs = 24 * 3600 * 1000;

const dayOf = (name: string): number =>
  Date.UTC(Number(name.slice(0, 4)), Number(name.slice(4, 6)) - 1, Number(name.slice(6, 8))) / dayMs;

/** Which copies are not kept any longer, by their names: stamps, of which the last of a day or a week stays. */
export function copiesToDrop(names: readonly string[], now: string): string[] {
  const today = Math.floor(Date.parse(now) / dayMs);
  const kept = new Set<string>();
  const drop: string[] = [];
  for (const name of [...names]
    .filter((one) => /^\d{8}-\d{6}$/.test(one))
    .sort()
    .reverse()) {
    const age = today - dayOf(name);
    const slot = age < daysKept ? `day ${age}` : `week ${Math.floor(age / 7)}`;
    if (kept.has(slot) || age >= 7 * (weeksKept + 1)) drop.push(name);
    else kept.add(slot);
  }
  return drop;
}

const copiesIn = (dataDir: string): string[] => {
  const folder = path.join(dataDir, copiesName);
  return existsSync(folder) ? readdirSync(folder) : [];
};

/**
 * Makes today's copy of the database in its data folder, by a process of its own, and drops those that are too old.
 * @returns whether there is a copy of today
 */
export function copyOfToday(dataDir: string, now: string): Promise<boolean> {
  const today = now.slice(0, 10).replaceAll('-', '');
  if (copiesIn(dataDir).some((name) => name.startsWith(today) && !name.endsWith('.part')))
    return Promise.resolve(true);
  const child = spawn(
    process.execPath,
    [...argumentsOf('backup'), '--data', dataDir, '--to', path.join(dataDir, copiesName), '--copy'],
    { stdio: ['ignore', 'ignore', 'inherit'] },
  );
  return new Promise((resolve) => {
    child.once('error', () => resolve(false));
    child.once('exit', (code) => {
      // Only a new copy makes an old one dispensable.
      if (code === 0)
        for (const name of copiesToDrop(copiesIn(dataDir), now))
          rmSync(path.join(dataDir, copiesName, name), { recursive: true, force: true });
      resolve(code === 0);
    });
  });
}
