import { describe, expect, it } from 'vitest';
import { figure } from '#core/shared/derivation';
import { verdictFigure } from './verdictFigure';

describe('the figure beside a run', () => {
  const read = figure('read', 8.9, 'V', 'measured');
  const expected = figure('expected', 11.2, 'V', 'computed');
  it('is what was read, else what is expected, else nothing', () => {
    expect(verdictFigure({ read, expected })).toBe('8.9 V');
    expect(verdictFigure({ read: null, expected })).toBe('11.2 V');
    expect(verdictFigure({ read: null, expected: null })).toBe('');
  });
});
