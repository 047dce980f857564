import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  familyOf,
  rulesInWords,
  sharesOf,
  slotCount,
  slotFamilies,
  slotRulesSchema,
  usualRules,
  withRulesOf,
  type SlotRulesKind,
} from '.';

const kinds = slotFamilies.map(({ kind }) => kind);
const recorders = fc.record({
  kind: fc.constantFrom<SlotRulesKind[]>(...kinds),
  inputs: fc.integer({ min: 0, max: 32 }),
  ipSlots: fc.integer({ min: 1, max: 32 }),
});
const recorderOf = ({ kind, inputs, ipSlots }: { kind: SlotRulesKind; inputs: number; ipSlots: number }) => ({
  ...withRulesOf({ name: 'Recorder', inputs, rules: usualRules('fixed-hybrid', inputs, ipSlots) }, kind),
});

describe('every rule family of the registry', () => {
  it('comes with usual rules that its schema takes', () => {
    fc.assert(
      fc.property(recorders, (drawn) => {
        expect(slotRulesSchema.parse(recorderOf(drawn).rules)).toEqual(recorderOf(drawn).rules);
      }),
    );
  });

  it('says in numbers what its modes carry slot by slot, so that plan and allocation agree', () => {
    fc.assert(
      fc.property(recorders, (drawn) => {
        const recorder = recorderOf(drawn);
        const slots = Array.from({ length: slotCount(recorder) }, (_, index) => index + 1);
        const counts = familyOf(recorder)
          .modes(recorder)
          .map(({ carries }) => {
            const carried = slots.map(carries);
            return {
              coax: carried.filter((one) => one === 'coax' || one === 'either').length,
              ip: carried.filter((one) => one === 'ip' || one === 'either').length,
              together: carried.filter((one) => one !== 'none').length,
            };
          });
        const most = (of: 'coax' | 'ip' | 'together', among: readonly { [K in typeof of]: number }[]) =>
          Math.max(...among.map((one) => one[of]));
        for (const of of ['coax', 'ip', 'together'] as const)
          expect(most(of, sharesOf(recorder))).toBe(most(of, counts));
      }),
    );
  });

  it('turns no input for nobody, and breaks no rule', () => {
    fc.assert(
      fc.property(recorders, (drawn) => {
        const recorder = recorderOf(drawn);
        const family = familyOf(recorder);
        expect(family.broken(recorder, [])).toEqual([]);
        if (family.conversion === 'none') expect([...family.ipInputs(recorder, [])]).toEqual([]);
      }),
    );
  });

  it('is told in a line that names its figures', () => {
    expect(rulesInWords(recorderOf({ kind: 'preset-split', inputs: 16, ipSlots: 8 }))).toBe(
      '16 + 0, 8 + 8, 0 + 16 (coax + IP), one for the whole recorder',
    );
    expect(
      rulesInWords({ ...recorderOf({ kind: 'fixed-hybrid', inputs: 16, ipSlots: 8 }), blockSize: 4 }),
    ).toBe('16 inputs stay coax, 8 IP slots; inputs in blocks of 4');
    expect(
      rulesInWords({
        inputs: 0,
        rules: { kind: 'network-only', ipSlots: 16, poe: { ports: 8, watts: 120 } },
      }),
    ).toBe('16 IP slots, 8 ports that give 120 W together');
  });
});
