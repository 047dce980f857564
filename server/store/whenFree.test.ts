import { describe, expect, it } from 'vitest';
import { isAway } from './whenFree';

describe('a database that is away', () => {
  it.each([
    'begin - Connection terminated unexpectedly',
    'Connection terminated due to connection timeout',
    'select 1 - Client has encountered a connection error and is not queryable',
    'Connection ended unexpectedly',
    'timeout exceeded when trying to connect',
  ])('is told by what is said of the connection: %s', (message) => {
    expect(isAway(new Error(message))).toBe(true);
  });
  it('is told by its code, and a statement that is wrong is none', () => {
    expect(isAway(Object.assign(new Error('x'), { code: 'ECONNREFUSED' }))).toBe(true);
    expect(isAway(new Error('select nonsense - column "nonsense" does not exist'))).toBe(false);
  });
});
