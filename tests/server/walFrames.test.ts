import { copyFileSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { keepStatements } from '../../server/store/keepStatements';
import { walFrames } from '../../server/store/walFrames';
import { newFolder } from './serverUnderTest';

/** A log of so many transactions, as it stands while the database is open; and how many of them a copy of it opens with. */
function logOf(transactions: number): { folder: string; file: string; rowsIn: (copy: string) => number } {
  const folder = newFolder();
  const file = path.join(folder, 'a.sqlite');
  const database = keepStatements(new Database(file));
  database.exec('pragma journal_mode = WAL');
  database.exec('pragma wal_autocheckpoint = 0');
  database.exec('create table t (x text)');
  for (let k = 0; k < transactions; k += 1)
    database.exec(`insert into t values ('${'row '.repeat(300)}${k}')`);
  return {
    folder,
    file,
    rowsIn: (copy) => {
      const opened = keepStatements(new Database(copy));
      try {
        return opened.prepare('select count(*) from t').pluck().get() as number;
      } finally {
        opened.close();
      }
    },
  };
}

describe('a write-ahead log', () => {
  it('that is whole has every transaction and nothing behind', () => {
    const { file } = logOf(20);
    // One more than the rows: the table.
    expect(walFrames(`${file}-wal`)).toEqual({ sound: 21, beyond: 0 });
  });
  it('that is not there has none', () =>
    expect(walFrames(path.join(newFolder(), 'none'))).toEqual({ sound: 0, beyond: 0 }));
  it('cut off anywhere has nothing behind, and what can be read is what SQLite opens with', () => {
    const { folder, file, rowsIn } = logOf(20);
    const whole = readFileSync(`${file}-wal`);
    for (const share of [0.2, 0.5, 0.83, 0.999]) {
      const copy = path.join(folder, `cut-${share}.sqlite`);
      copyFileSync(file, copy);
      writeFileSync(`${copy}-wal`, whole.subarray(0, Math.floor(whole.length * share)));
      const { sound, beyond } = walFrames(`${copy}-wal`);
      expect([beyond, sound - 1]).toEqual([0, rowsIn(copy)]);
    }
  });
  it('with one byte flipped says how many transactions stand behind it, which SQLite would pass over', () => {
    const { folder, file, rowsIn } = logOf(20);
    const whole = readFileSync(`${file}-wal`);
    const frame = 24 + 4096;
    // In pages, in the header of the log, and in the salts and the sum of a frame.
    for (const place of [0.1, 0.4, 0.7, 0.95]
      .map((share) => Math.floor(whole.length * share))
      .concat([9, 18, 26, 32 + 5 * frame + 9, 32 + 5 * frame + 17])) {
      const copy = path.join(folder, `flipped-${place}.sqlite`);
      copyFileSync(file, copy);
      const bytes = Buffer.from(whole);
      bytes[place] = bytes[place]! ^ 0x40;
      writeFileSync(`${copy}-wal`, bytes);
      const { sound, beyond } = walFrames(`${copy}-wal`);
      expect(beyond).toBeGreaterThan(0);
      expect(sound + beyond).toBeGreaterThanOrEqual(20);
      if (sound > 0) expect(sound - 1).toBe(rowsIn(copy));
    }
  });
});
