import { describe, expect, it } from 'vitest';
import { readJacketPrint } from './jacketPrint';
import { proposalFrom, saysInWords } from './printProposal';

const proposal = (print: string) => proposalFrom(readJacketPrint(print));

describe('proposalFrom', () => {
  it.each([
    ['RG59 20AWG BC 95% BRAID + 18/2 BC', 'coax-rg59-cu', 'power-2x18-cu'],
    ['RG59 22AWG CCS + 2X18AWG CCA', 'coax-rg59-ccs', 'power-2x18-cca'],
    ['RG59 20AWG CCS', 'coax-rg59-ccs20', null],
    ['RG59 22AWG BC', 'coax-rg59-pe-cu', null],
    ['3C-2V BC', 'coax-metric-3c', null],
    ['RG58 BC', 'coax-rg58', null],
    ['RG6 18AWG CCS', 'coax-rg6-ccs', null],
    ['RG-11 BC', 'coax-rg11-cu', null],
    ['CAT5E 24AWG 4PR CCA', 'pair-cat5e-cca', null],
    ['CAT6 UTP BC', 'pair-cat6', null],
    ['CAT6 F/UTP BC', 'pair-cat6-foil', null],
    ['CAT5 24AWG BC', 'pair-cat5', null],
    ['CAT5E 26AWG BC', 'pair-cat5e-26', null],
    ['2X0.75MM2 CU', null, 'power-2x0.75-cu'],
    ['22/4 STRANDED COPPER', null, 'power-4x22-cu'],
    ['3X0.22MM2 CU', null, 'power-3x0.22-cu'],
  ])('%s points at %s and %s', (print, cable, powerCable) =>
    expect(proposal(print)).toEqual({ cable, powerCable, doubts: [] }),
  );
  it('a print that does not tell the core proposes none and says between which', () => {
    expect(proposal('RG59').cable).toBeNull();
    expect(proposal('RG59').doubts[0]).toMatch(
      /RG-59 as printed: the print fits RG-59, 20 AWG solid copper.*RG-59, 22 AWG copper-clad steel.* alike/,
    );
  });
  it('a metal that nobody printed is not made up, even where the tables know one only', () => {
    for (const print of ['RG-11', 'CAT6 UTP', 'CAT6 23AWG 4PR'])
      expect(proposal(print)).toEqual({
        cable: null,
        powerCable: null,
        doubts: [expect.stringMatching(/the print does not name the metal.*let the loop tell/)],
      });
    expect(proposal('RG59 20AWG BC + 16/2')).toMatchObject({ cable: 'coax-rg59-cu', powerCable: null });
  });
  it('26 AWG pairs are not taken for 24', () => {
    expect(proposal('CAT5E 24AWG BC').cable).toBe('pair-cat5e');
    expect(proposal('CAT5E 26AWG BC').cable).toBe('pair-cat5e-26');
    expect(proposal('CAT6 28AWG BC')).toEqual({
      cable: null,
      powerCable: null,
      doubts: ['No construction in the tables is Cat6 as printed.'],
    });
  });
  it('a designation such as 3C-2V is a coax of its own, and no three power cores', () => {
    for (const print of ['7C-2V', '5C-FB BC', '5D-2V'])
      expect(proposal(print)).toMatchObject({
        cable: null,
        powerCable: null,
        doubts: [expect.stringMatching(/^No construction in the tables is \d[CD]-/)],
      });
  });
  it('a construction that is not in the tables is said to be none', () => {
    expect(proposal('RG59 CCA 22AWG').doubts).toEqual(['No construction in the tables is RG-59 as printed.']);
    expect(proposal('RG59 20AWG BC + 14/2').doubts).toEqual([
      'No construction in the tables is a pair of power cores as printed.',
    ]);
  });
  it('nothing understood proposes nothing', () =>
    expect(proposal('ACME 4711')).toEqual({ cable: null, powerCable: null, doubts: [] }));
});

describe('saysInWords', () => {
  it('reads as a person would say it', () => {
    expect(saysInWords(readJacketPrint('RG59 20AWG BC 95% BRAID + 18/2 CCA CMR 120 FT'))).toBe(
      'RG-59 20 AWG copper 95 % braid; 2 power cores 18 AWG copper-clad aluminium; rated CMR; mark 120 ft',
    );
    expect(saysInWords(readJacketPrint('4PR24 CAT5E'))).toBe('Cat5e 4 pairs 24 AWG');
  });
});
