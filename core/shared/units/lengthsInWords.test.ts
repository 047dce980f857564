import fc from 'fast-check';
import { expect, it } from 'vitest';
import { formatQuantity, lengthsInWords, quantityFor } from '.';

const feet = { length: 'ft' } as const;
const shown = (text: string) => lengthsInWords(text, feet);

it('turns every length of a sentence', () => {
  expect(shown('a bad joint at 97 m, 12 m of Cat 6 from Ticket hall')).toBe(
    'a bad joint at 318 ft, 39 ft of Cat 6 from Ticket hall',
  );
  expect(shown('97 ± 3 m')).toBe('318 ± 10 ft');
  expect(shown('from 2.5 to 6 m up')).toBe('from 8.2 to 20 ft up');
  expect(shown('10\u202f000 m, all')).toBe('32\u202f808 ft, all');
});
it('leaves what is no length', () => {
  for (const text of [
    '12 mm²',
    '3 m²',
    '9 Mb/s',
    '40 min',
    '2.1 dB per 100 m',
    '24 V',
    'RG-59',
    '100 MHz',
    '5 m/s',
  ])
    expect(shown(text)).toBe(text);
});
it('leaves what somebody typed as it was typed', () => {
  expect(shown('“9000 m”: more than 0, at most 5000 m')).toBe(
    '“9000 m”: more than 0, at most 16\u202f404 ft',
  );
});
it('who reads metres reads it as it was written', () => {
  expect(lengthsInWords('at 97 m', { length: 'm' })).toBe('at 97 m');
});
it('a whole number of metres in a sentence reads as the same figure alone', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2_000_000 }), (lengthM) => {
      expect(shown(`at ${formatQuantity(lengthM, 'm')}.`)).toBe(`at ${quantityFor(lengthM, 'm', feet)}.`);
    }),
  );
});
