import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lengthBetweenMarks, parseMarks, readJacketPrint, type JacketPrint } from '.';

const copper = 'copper' as const;
const cca = 'cca' as const;
const ccs = 'ccs' as const;
const ft = (value: number) => ({ value, unit: 'ft' as const });
const m = (value: number) => ({ value, unit: 'm' as const });
const rg59 = { type: 'RG-59' };
const rg6 = { type: 'RG-6' };
const power18 = { cores: 2, awg: 18 };
const cat5e = { category: 'Cat5e' };
const cat6 = { category: 'Cat6' };

const prints: [string, Partial<JacketPrint>][] = [
  // Coax alone
  ['RG59', { coax: rg59 }],
  ['RG-59/U', { coax: rg59 }],
  ['RG 59 B/U 75 OHM', { coax: rg59 }],
  ['RG59U COAXIAL CABLE', { coax: rg59 }],
  ['COAX RG-6/U 75Ω', { coax: rg6 }],
  ['RG6 18AWG BC 95% BRAID', { coax: { ...rg6, centreAwg: 18, material: copper, braidPercent: 95 } }],
  [
    'RG-6 1C18 COPPER CLAD STEEL 77% AL BRAID FOIL',
    { coax: { ...rg6, centreAwg: 18, material: ccs, braidPercent: 77 } },
  ],
  ['RG6 18 AWG CCS QUAD SHIELD CATV', { coax: { ...rg6, centreAwg: 18, material: ccs }, fireRating: 'CATV' }],
  [
    'RG11/U 14AWG SOLID BC 95% BC BRAID CMP',
    { coax: { type: 'RG-11', centreAwg: 14, material: copper, braidPercent: 95 }, fireRating: 'CMP' },
  ],
  [
    'RG-11 14 AWG COPPER COVERED STEEL 60% ALUMINUM BRAID',
    { coax: { type: 'RG-11', centreAwg: 14, material: ccs, braidPercent: 60 } },
  ],
  ['1C20 BC 95% COVERAGE', { coax: { centreAwg: 20, material: copper, braidPercent: 95 } }],
  ['20/1C RG59', { coax: { ...rg59, centreAwg: 20 } }],
  ['20AWG BC RG59', { coax: { ...rg59, centreAwg: 20, material: copper } }],
  ['RG59 COPPER COVERED ALUMINUM CENTER 20AWG', { coax: { ...rg59, centreAwg: 20, material: cca } }],
  ['RG59 CCA 22AWG BRAID 90%', { coax: { ...rg59, centreAwg: 22, material: cca, braidPercent: 90 } }],
  ['RG58 50 OHM', { coax: { type: 'RG-58' } }],
  ['RG59 20 GAUGE STRANDED BARE COPPER', { coax: { ...rg59, centreAwg: 20, material: copper } }],
  [
    'RG-59 22AWG CCS 40% AL BRAID CL2X',
    { coax: { ...rg59, centreAwg: 22, material: ccs, braidPercent: 40 }, fireRating: 'CL2X' },
  ],
  ['RG6/U 3GHZ 18AWG CCS 60°C SUNLIGHT RESISTANT', { coax: { ...rg6, centreAwg: 18, material: ccs } }],
  // Siamese and multi-core
  [
    'RG59/U 20 AWG 1C SOLID BC 95% BC BRAID + 18AWG 2C BC CMR 01234 FT',
    {
      coax: { ...rg59, centreAwg: 20, material: copper, braidPercent: 95 },
      power: { ...power18, material: copper },
      fireRating: 'CMR',
      lengthMark: ft(1234),
    },
  ],
  [
    '1C20 BC + 2C18 BC SIAMESE RG-59 95% COVERAGE CL2 0456 M',
    {
      coax: { ...rg59, centreAwg: 20, material: copper, braidPercent: 95 },
      power: { ...power18, material: copper },
      fireRating: 'CL2',
      lengthMark: m(456),
    },
  ],
  [
    'RG59 SIAMESE 20AWG BC 95% BRAID 18/2 BC CL2 1024FT',
    {
      coax: { ...rg59, centreAwg: 20, material: copper, braidPercent: 95 },
      power: { ...power18, material: copper },
      fireRating: 'CL2',
      lengthMark: ft(1024),
    },
  ],
  ['RG6 + 18-2', { coax: rg6, power: power18 }],
  ['RG59 W/ 2X18AWG CCA', { coax: rg59, power: { ...power18, material: cca } }],
  ['2X18AWG CCA + RG59', { coax: rg59, power: { ...power18, material: cca } }],
  ['RG59 & 16AWG/2C', { coax: rg59, power: { cores: 2, awg: 16 } }],
  ['RG59 + 2C/16AWG', { coax: rg59, power: { cores: 2, awg: 16 } }],
  [
    'RG59 CCA 22AWG 90% + 2X0.5MM2 CCA',
    {
      coax: { ...rg59, centreAwg: 22, material: cca, braidPercent: 90 },
      power: { cores: 2, areaMm2: 0.5, material: cca },
    },
  ],
  [
    'MICRO COAX 1C28 + 3X0,22mm² CU',
    { coax: { centreAwg: 28 }, power: { cores: 3, areaMm2: 0.22, material: copper }, unread: ['MICRO'] },
  ],
  ['RG59 20AWG + 18AWG BC 2C', { coax: { ...rg59, centreAwg: 20 }, power: { ...power18, material: copper } }],
  [
    'RG59 20AWG CCS 18AWG CCA 2 COND',
    { coax: { ...rg59, centreAwg: 20, material: ccs }, power: { ...power18, material: cca } },
  ],
  ['18AWG 2C STR BC', { power: { ...power18, material: copper } }],
  ['22/4 STRANDED COPPER CL3R', { power: { cores: 4, awg: 22, material: copper }, fireRating: 'CL3R' }],
  ['16-2 OFC CL3', { power: { cores: 2, awg: 16, material: copper }, fireRating: 'CL3' }],
  ['(2) 18 AWG TC', { power: { ...power18, material: copper } }],
  // Category
  [
    'CAT5E UTP 24AWG 4PR CMR 350MHZ 567 M',
    { pairs: { ...cat5e, awg: 24, pairs: 4 }, fireRating: 'CMR', lengthMark: m(567) },
  ],
  [
    'CAT.5E 4X2X24AWG CCA LSZH',
    { pairs: { ...cat5e, awg: 24, pairs: 4, material: cca }, fireRating: 'LSZH' },
  ],
  [
    'CATEGORY 6 UTP 4PR23 SOLID BARE COPPER CMP ANSI/TIA-568-C.2 VERIFIED FT 00345',
    { pairs: { ...cat6, awg: 23, pairs: 4, material: copper }, fireRating: 'CMP', lengthMark: ft(345) },
  ],
  ['CAT-6 F/UTP 23 AWG 4 PAIR', { pairs: { ...cat6, awg: 23, pairs: 4, screened: true } }],
  [
    'CAT 6A U/FTP 4P 23AWG LSOH',
    { pairs: { category: 'Cat6a', awg: 23, pairs: 4, screened: true }, fireRating: 'LSZH' },
  ],
  ['CAT5 4PR 24AWG CM', { pairs: { category: 'Cat5', awg: 24, pairs: 4 }, fireRating: 'CM' }],
  ['24/4P CAT5E', { pairs: { ...cat5e, awg: 24, pairs: 4 } }],
  [
    '4 PAIRS 24 AWG COPPER CLAD ALUMINIUM CAT5E PATCH',
    { pairs: { ...cat5e, awg: 24, pairs: 4, material: cca } },
  ],
  ['25 PAIR 24AWG CAT3 CMR', { pairs: { category: 'Cat3', awg: 24, pairs: 25 }, fireRating: 'CMR' }],
  [
    'RG6 18AWG CCS + CAT5E 24AWG 4PR BC',
    {
      coax: { ...rg6, centreAwg: 18, material: ccs },
      pairs: { ...cat5e, awg: 24, pairs: 4, material: copper },
    },
  ],
  // Ratings, temperatures, marks
  ['RG59 PLENUM 75C', { coax: rg59, fireRating: 'plenum' }],
  ['RG59 RISER', { coax: rg59, fireRating: 'riser' }],
  ['RG59 CMR/FT4', { coax: rg59, fireRating: 'CMR' }],
  ['RG6 CL2 OR CM 1320 FEET', { coax: rg6, fireRating: 'CL2', lengthMark: ft(1320) }],
  ['CAT6 Dca-s2,d2,a1 0123m', { pairs: cat6, fireRating: 'Dca-s2,d2,a1', lengthMark: m(123) }],
  ['RG6 000123M', { coax: rg6, lengthMark: m(123) }],
  ['RG6 >1023 FT<', { coax: rg6, lengthMark: ft(1023) }],
  ['RG6 METERS 0045', { coax: rg6, lengthMark: m(45) }],
  ['RG6 12 METRES', { coax: rg6, lengthMark: m(12) }],
  // Slips
  [
    'rg 59u 2OAWG bare coper 95% briad 18-2 stranded copper fT4 00712ft',
    {
      coax: { ...rg59, centreAwg: 20, material: copper, braidPercent: 95 },
      power: { ...power18, material: copper },
      fireRating: 'FT4',
      lengthMark: ft(712),
    },
  ],
  ['RG-S9 2O AGW', { coax: { ...rg59, centreAwg: 20 } }],
  ['RG59 I8AWG 2C COPPR', { coax: rg59, power: { ...power18, material: copper } }],
  ['CATSE 24 AWC 4 PIAR', { pairs: { ...cat5e, awg: 24, pairs: 4 } }],
  ['RG–6 18AWG CCS 6O% BRAID', { coax: { ...rg6, centreAwg: 18, material: ccs }, unread: ['6O%'] }],
  ['CATAGORY 6 PLENIUM', { pairs: cat6, fireRating: 'PLENUM'.toLowerCase() }],
  ['RG59 O123FT', { coax: rg59, lengthMark: ft(123) }],
  // Handed back
  ['ACME E123456 RG59', { coax: rg59, unread: ['ACME', 'E123456'] }],
  ['RG59 18AWG 20AWG', { coax: { ...rg59, centreAwg: 18 }, unread: ['20AWG'] }],
  ['RG6 60%/40% AL BRAID', { coax: { ...rg6, braidPercent: 60 }, unread: ['40% AL BRAID'] }],
  ['RG59 RG6', { coax: rg59, unread: ['RG-6'] }],
  ['RG59 12 FT 900 FT', { coax: rg59, lengthMark: ft(12), unread: ['900 FT'] }],
  ['RG59 4711', { coax: rg59, unread: ['4711'] }],
  ['RG77', { unread: ['RG77'] }],
  ['99 AWG RG59', { coax: rg59, unread: ['99'] }],
  ['RG59 250% BRAID', { coax: rg59, unread: ['250%'] }],
  ['BC', { unread: ['BC'] }],
  ['', {}],
];

describe('readJacketPrint', () => {
  it(`reads ${prints.length} prints`, () => expect(prints.length).toBeGreaterThanOrEqual(60));
  it.each(prints)('%s', (print, expected) =>
    expect(readJacketPrint(print)).toEqual({ unread: [], ...expected }),
  );
});

/** Prints put together from parts that are each known, in any order around a plus sign. */
const coaxPart = fc.record({
  type: fc.constantFrom('RG59', 'RG-6/U', 'RG 11'),
  awg: fc.integer({ min: 14, max: 28 }),
  material: fc.constantFrom(['BC', copper], ['CCS', ccs], ['CCA', cca]),
  braid: fc.integer({ min: 20, max: 100 }),
});
const powerPart = fc.record({
  cores: fc.integer({ min: 2, max: 6 }),
  awg: fc.integer({ min: 14, max: 28 }),
  material: fc.constantFrom(['STR BC', copper], ['CCA', cca]),
});

it('a letter of the next word is not part of a type', () => {
  expect(readJacketPrint('RG6 BC 60% BRAID')).toMatchObject({
    coax: { type: 'RG-6', material: 'copper' },
    unread: [],
  });
  expect(readJacketPrint('RG59B/U UV BLACK')).toMatchObject({ coax: { type: 'RG-59' }, unread: ['BLACK'] });
});

describe('a mark that looks like something else', () => {
  it.each([
    ['RG59 20AWG BC 568 FT', 568],
    ['RG59 20AWG BC 56800 FT', 56_800],
    ['CAT5E TIA-568-B.2 4PR 24AWG 5681FT', 5681],
    ['RG6 BC EIA/TIA 568 75 OHM 0075 FT', 75],
  ])('%s', (print, value) => {
    expect(readJacketPrint(print)).toMatchObject({ lengthMark: ft(value), unread: [] });
  });
});

describe('whatever is printed', () => {
  it('two parts around a plus sign never mix, whichever comes first', () => {
    fc.assert(
      fc.property(
        coaxPart,
        powerPart,
        fc.boolean(),
        fc.integer({ min: 1, max: 99_999 }),
        fc.boolean(),
        (coax, power, coaxFirst, mark, lower) => {
          const parts = [
            `${coax.type} ${coax.awg}AWG ${coax.material[0]} ${coax.braid}% BRAID`,
            `${power.cores}C${power.awg} ${power.material[0]}`,
          ];
          const text = `${(coaxFirst ? parts : parts.reverse()).join(' + ')} CMR ${mark} FT`;
          const print = readJacketPrint(lower ? text.toLowerCase() : text);
          expect(print).toEqual({
            coax: {
              type: { RG59: 'RG-59', 'RG-6/U': 'RG-6', 'RG 11': 'RG-11' }[coax.type],
              centreAwg: coax.awg,
              material: coax.material[1],
              braidPercent: coax.braid,
            },
            power: { cores: power.cores, awg: power.awg, material: power.material[1] },
            fireRating: 'CMR',
            lengthMark: ft(mark),
            unread: [],
          });
        },
      ),
    );
  });
  it('ends, throws nothing, and makes up nothing out of nonsense', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 120 }), (text) => {
        const { unread, ...told } = readJacketPrint(text);
        expect(Array.isArray(unread)).toBe(true);
        if (!/[0-9]/.test(text))
          expect(told.coax?.centreAwg ?? told.power?.awg ?? told.lengthMark).toBeUndefined();
      }),
      { numRuns: 300 },
    );
  });
  it('a word it does not know is handed back and changes nothing else', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...prints.slice(19, 26).map(([print]) => print)),
        fc.stringMatching(/^[QXZ]{5,9}$/),
        (print, word) => {
          const { unread, ...told } = readJacketPrint(`${word} ${print} ${word}`);
          expect(told).toEqual((({ unread: _, ...rest }) => rest)(readJacketPrint(print)));
          expect(unread).toEqual([word, word]);
        },
      ),
    );
  });
  it('is quick on a long print', () =>
    expect(readJacketPrint('RG59 '.repeat(400)).coax).toEqual({ type: 'RG-59' }));
});

describe('parseMarks', () => {
  it.each([
    ['1234 ft, 560 ft', ft(1234), ft(560)],
    ['0456, 1320 FT', ft(456), ft(1320)],
    ['12 m to 300', m(12), m(300)],
    ['100; 212.5', m(100), m(212.5)],
    ['5 m, 9 ft', m(5), ft(9)],
  ])('reads %s', (typed, head, far) => {
    expect(parseMarks(typed)).toEqual({ kind: 'read', head, far });
  });
  it.each(['456 ft', '1, 2, 3', 'here, there', '-4, 9', ''])('refuses “%s”', (typed) =>
    expect(parseMarks(typed)).toMatchObject({ kind: 'refused' }),
  );
});

describe('lengthBetweenMarks', () => {
  it('runs up or down', () => {
    expect(lengthBetweenMarks(ft(100), ft(400), 4, 500)).toMatchObject({
      kind: 'length',
      lengthM: expect.closeTo(91.44, 6) as number,
      wrapped: false,
    });
    expect(lengthBetweenMarks(m(980), m(768), 4, 500)).toEqual({
      kind: 'length',
      lengthM: 212,
      wrapped: false,
    });
  });
  it('wraps where the plain difference is too long for a run', () => {
    expect(lengthBetweenMarks(m(9990), m(250), 4, 1000)).toEqual({
      kind: 'length',
      lengthM: 260,
      wrapped: true,
    });
    expect(lengthBetweenMarks(m(100), m(300), 3, 1000)).toEqual({
      kind: 'length',
      lengthM: 200,
      wrapped: false,
    });
  });
  it('says what is unclear', () => {
    expect(lengthBetweenMarks(m(1), ft(9), 4, 500)).toMatchObject({
      kind: 'unclear',
      why: expect.stringMatching(/feet/) as string,
    });
    expect(lengthBetweenMarks(m(5), m(5), 4, 500)).toMatchObject({ kind: 'unclear' });
    expect(lengthBetweenMarks(m(1000), m(6000), 4, 500)).toMatchObject({
      kind: 'unclear',
      why: expect.stringMatching(/5000 m apart/) as string,
    });
    expect(lengthBetweenMarks(m(10_000), m(1), 4, 500)).toMatchObject({
      kind: 'unclear',
      why: expect.stringMatching(/digits/) as string,
    });
  });
  it('whatever the cable, its own two marks give its length back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9999 }),
        fc.integer({ min: 1, max: 1000 }),
        fc.boolean(),
        (start, lengthM, up) => {
          const end = (((start + (up ? lengthM : -lengthM)) % 10_000) + 10_000) % 10_000;
          expect(lengthBetweenMarks(m(start), m(end), 4, 1000)).toMatchObject({ kind: 'length', lengthM });
        },
      ),
    );
  });
});
