import { describe, expect, it } from 'vitest';
import type { Cell } from '#core/survey/lists';
import { testerResults } from '.';

const camera = (number: number, name: string) => ({
  of: { kind: 'camera' as const, id: `c${number}` },
  number,
  name,
});
const trunk = { of: { kind: 'link' as const, id: 'hall' }, number: null, name: 'Hall trunk 2' };
const things = [camera(3, 'Kiosk 1'), camera(12, 'Gatehouse in'), trunk];
const table = (headings: string[], ...rows: Cell[][]) => ({
  headings,
  rows: rows.map((cells, k) => ({ line: k + 2, cells })),
});
const told = (...rows: Cell[][]) => testerResults(table(['Cable ID', 'Limit', 'Result'], ...rows), things);

describe('a tester’s table', () => {
  it('tells of cables by the number in their label or by name, whatever else it holds', () => {
    const { results, problems } = told(
      ['SFT-12', 'Class E', 'PASS'],
      ['Hall trunk 2', 'Class E', 'FAIL'],
      ['kiosk 1', '', 'PASS*'],
    );
    expect(problems).toEqual([]);
    expect(results.map(({ of, passed, isMarginal }) => [of.id, passed, isMarginal])).toEqual([
      ['c12', true, false],
      ['hall', false, false],
      ['c3', true, true],
    ]);
  });
  it('means by a cable that stands there twice its last test', () => {
    expect(told(['12', '', 'Fail'], ['12', '', 'Pass']).results).toMatchObject([{ passed: true }]);
  });
  it('says which rows it does not understand, and gives the others', () => {
    const { results, problems } = told(
      ['99', '', 'PASS'],
      ['12', '', ''],
      ['1-2', '', 'PASS'],
      ['12', '', 'warning'],
      ['3', '', 'pass'],
    );
    expect(results).toHaveLength(1);
    expect(problems).toEqual([
      'Line 2: nothing called “99” waits for a tester.',
      'Line 3: “” is neither pass nor fail.',
      'Line 4: nothing called “1-2” waits for a tester.',
      'Line 5: “warning” is neither pass nor fail.',
    ]);
  });
  it('takes no label for one of two things of the same name', () => {
    const twice = [...things, { ...trunk, of: { kind: 'link' as const, id: 'other' } }];
    expect(testerResults(table(['Link', 'Verdict'], ['Hall trunk 2', 'pass']), twice)).toEqual({
      results: [],
      problems: ['Line 2: “Hall trunk 2” may be several things here.'],
    });
  });
  it('without a column for the cable or the verdict is refused with what there is', () => {
    const { problems } = testerResults(table(['Port', 'Margin'], ['1', '3 dB']), things);
    expect(problems).toHaveLength(2);
    expect(problems[1]).toContain('“verdict”');
    expect(problems[1]).toContain('“Port”, “Margin”');
  });
});
