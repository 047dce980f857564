import { setImmediate } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { expect, it } from 'vitest';
import { keepStatements } from '../../server/store/keepStatements';

it('a text is prepared once for a connection, and goes on answering', async () => {
  const connection = keepStatements(new Database(':memory:'));
  const other = keepStatements(new Database(':memory:'));
  const first = connection.prepare('select ? as value');
  expect(connection.prepare('select ? as value')).toBe(first);
  expect(other.prepare('select ? as value')).not.toBe(first);
  await setImmediate();
  expect([1, 2].map((value) => connection.prepare('select ? as value').get(value))).toEqual([
    { value: 1 },
    { value: 2 },
  ]);
});
