import { describe, expect, it } from 'vitest';
import { readLine } from '.';

const metres = { length: 'm' } as const;
const read = (text: string) => {
  const line = readLine(text, metres);
  if (line.kind === 'refused') throw new Error(line.why);
  return line.parts;
};
const why = (text: string) => {
  const line = readLine(text, metres);
  return line.kind === 'refused' ? line.why : 'read';
};

describe('a line as it is written on a ladder', () => {
  it('is cables, lengths and what joins them', () => {
    expect(read('soldered, RG-6 copper 25; surge arrester, cat6 copper 10 m')).toEqual([
      { cable: 'coax-rg6-cu', lengthM: 25, joint: 'soldered' },
      { cable: 'pair-cat6', lengthM: 10, joint: 'surge-arrester' },
    ]);
    expect(read('joint, rg59 20 awg copper 12,5')).toEqual([{ cable: 'coax-rg59-cu', lengthM: 12.5 }]);
    expect(read('')).toEqual([]);
  });
  it('takes lengths in any unit, and bare ones in the person’s own', () => {
    expect(read('rg6 copper 100ft')[0]!.lengthM).toBeCloseTo(30.48, 6);
    expect(read('rg6 copper 1,250 ft')[0]!.lengthM).toBeCloseTo(381, 6);
    const own = readLine('rg6 copper 100', { length: 'ft' });
    expect(own.kind === 'read' && own.parts[0]!.lengthM).toBeCloseTo(30.48, 6);
  });
  it('asks for what the words leave open', () => {
    expect(why('rg59 60')).toMatch(/^“rg59”: RG-59 as printed: the print fits/);
    expect(why('rg6 copper')).toMatch(/a cable and its length/);
    expect(why('string 60')).toMatch(/no cable of the tables/);
    expect(why('rg6 copper 0')).toMatch(/more than 0/);
    expect(why('rg6 copper 9000')).toMatch(/at most 5000 m/);
    expect(why('rg6 copper 20, coupler')).toMatch(/which one/);
  });
});
