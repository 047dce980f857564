import { describe, expect, it } from 'vitest';
import { cableLabel, nearestAwg, powerCableLabel } from '.';

describe('labels', () => {
  it.each([
    ['power-2x18-cu', 'awg', 'Two 18 AWG copper cores (Siamese leg or separate pair)'],
    ['power-2x18-cu', 'mm2', 'Two 0.82 mm² copper cores (Siamese leg or separate pair)'],
    ['power-3x0.22-cu', 'mm2', 'Three 0.22 mm² copper cores (multi-core CCTV cable)'],
    ['power-3x0.22-cu', 'awg', 'Three 24 AWG copper cores (multi-core CCTV cable)'],
  ] as const)('of %s in %s', (id, gauge, label) => expect(powerCableLabel(id, gauge)).toBe(label));
  it('of coax too', () =>
    expect(cableLabel('coax-rg59-cu', 'mm2')).toBe('RG-59, 0.52 mm² solid copper, copper braid'));
  // Published table: 24 AWG 0.205 mm², 18 AWG 0.823 mm², 10 AWG 5.26 mm².
  it.each([
    [0.205, 24],
    [0.823, 18],
    [5.26, 10],
    [0.22, 24],
    [1.5, 15],
  ])('%f mm² is nearest to %d AWG', (area, awg) => expect(nearestAwg(area)).toBe(awg));
});
