import { ipSlotsField } from '#core/model/slotRules';
import { describe, expect, it } from 'vitest';
import { limitsOf, kinds, type Kind } from '#core/model/site';
import { fitting } from './within';

describe('what a form takes', () => {
  it('is what the schema takes: 128 slots for network cameras alone, 64 beside inputs', () => {
    const most = (kind: Parameters<typeof ipSlotsField>[0]) => fitting('recorder', ipSlotsField(kind));
    expect(most('network-only')(128)).toBeUndefined();
    expect(most('network-only')(129)).toBe('Enter a whole number from 1 to 128.');
    expect(most('network-only')(0)).toBe('Enter a whole number from 1 to 128.');
    for (const kind of ['highest-first', 'switch-per-input', 'fixed-hybrid'] as const) {
      expect(most(kind)(64)).toBeUndefined();
      expect(most(kind)(65)).toBe('Enter a whole number from 0 to 64.');
    }
  });
  it('says what is allowed with its unit', () => {
    expect(fitting('camera', 'watts.day', 'W')(501)).toBe('Enter from 0.0 W to 500.0 W.');
    expect(fitting('camera', 'supply.window.maxVolts', 'V')(0)).toBe('Enter more than 0, at most 60.0 V.');
    expect(fitting('camera', 'supply.window.maxVolts', 'V')(12)).toBeUndefined();
  });
});

describe('every field of a form', () => {
  const components = import.meta.glob<string>('../**/*.vue', {
    query: '?raw',
    import: 'default',
    eager: true,
  });
  const asked = Object.entries(components).flatMap(([file, text]) =>
    [...text.matchAll(/fitting\('(\w+)', '([^']+)'/g)].map(([, kind, path]) => [file, kind, path] as const),
  );
  it('is found', () => expect(asked.length).toBeGreaterThan(50));
  it.each(asked)('%s: %s %s has limits', (_, kind, path) => {
    expect(kinds).toContain(kind);
    const { least, most } = limitsOf(kind as Kind, path!);
    expect(least).toBeLessThan(most);
  });
});
