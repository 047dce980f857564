import { describe, expect, it } from 'vitest';
import { factSchemas } from './site';
import { limitsOf } from './limits';

describe('limitsOf', () => {
  it.each([
    ['camera', 'watts.day', { least: 0, most: 500, takesLeast: true, isWhole: false }],
    ['camera', 'number', { least: 1, most: 9999, takesLeast: true, isWhole: true }],
    ['camera', 'supply.window.minVolts', { least: 0, most: 60, takesLeast: false, isWhole: false }],
    ['camera', 'lens.range.maxMm', { least: 1, most: 1000, takesLeast: true, isWhole: false }],
    ['recorder', 'rules[network-only].ipSlots', { least: 1, most: 128, takesLeast: true, isWhole: true }],
    ['recorder', 'rules[fixed-hybrid].ipSlots', { least: 0, most: 64, takesLeast: true, isWhole: true }],
    [
      'recorder',
      'rules[network-only].poe.watts',
      { least: 0, most: 5000, takesLeast: false, isWhole: false },
    ],
    ['run', 'segments.lengthM', { least: 0, most: 5000, takesLeast: false, isWhole: false }],
    ['run', 'segments.leg[cores].outCores', { least: 1, most: 16, takesLeast: true, isWhole: true }],
    ['equipment', 'gear[ups].efficiencyPercent', { least: 30, most: 100, takesLeast: true, isWhole: false }],
  ] as const)('%s %s', (kind, path, limits) => expect(limitsOf(kind, path)).toEqual(limits));

  it('says what the schema says: a figure at the bound fits, one beyond does not', () => {
    const camera = (number: number) => factSchemas.camera.shape.number.safeParse(number).success;
    const { least, most } = limitsOf('camera', 'number');
    expect([least - 1, least, most, most + 1].map(camera)).toEqual([false, true, true, false]);
  });
  it.each([
    ['camera', 'watts.noon'],
    ['camera', 'name'],
    ['recorder', 'rules[none-such].ipSlots'],
  ] as const)('%s %s is no figure', (kind, path) => expect(() => limitsOf(kind, path)).toThrow(/no figure/));
});
