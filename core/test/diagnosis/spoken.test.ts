import { describe, expect, it } from 'vitest';
import { spoken } from './spoken';

describe('weight of evidence in words', () => {
  it('says odds of ten to one strongly, and of a hundred to one as all but settled', () => {
    expect(spoken('a loop', 10 * Math.log10(10)).strength).toBe('strongly');
    expect(spoken('a loop', 10 * Math.log10(100)).strength).toBe('all but settles it');
    expect(spoken('a loop', 10 * Math.log10(4)).strength).toBe('clearly');
    expect(spoken('a loop', 10 * Math.log10(2)).strength).toBe('a little');
  });
});
