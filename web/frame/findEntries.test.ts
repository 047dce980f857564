import { describe, expect, it } from 'vitest';
import { foundEntries, type FindEntry } from './findEntries';

const entry = (label: string, ...texts: string[]): FindEntry => ({
  id: label,
  label,
  kind: 'run',
  hint: '',
  texts,
  go: () => undefined,
});
const entries = [
  entry('1 Hall', 'radio'),
  entry('13 Ramp east', 'RG-11'),
  entry('Risk', 'Decide'),
  entry('14 Ramp west'),
  entry('Rack', 'Allocate'),
];
const labels = (typed: string): string[] => foundEntries(entries, typed).map(({ label }) => label);

describe('what is found', () => {
  it('by its label, and by whatever else is known of it', () => {
    expect(labels('ramp')).toEqual(['13 Ramp east', '14 Ramp west']);
    expect(labels('rg11')).toEqual(['13 Ramp east']);
    expect(labels('decide')).toEqual(['Risk']);
    expect(labels('14')).toEqual(['14 Ramp west']);
  });
  it('what begins so comes first', () => {
    expect(labels('ra')).toEqual(['Rack', '13 Ramp east', '14 Ramp west', '1 Hall']);
  });
});
