import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { costOf, heeds, lpText, smallestConflict, solve, without, type Programme, type Row } from '.';

const highs = await loadHighs();

/** Every assignment of whole numbers there is, by counting. */
function bruteForce(programme: Programme): number | null {
  const { variables } = programme;
  let best: number | null = null;
  const values = variables.map(() => 0);
  const next = (): boolean => {
    for (let at = 0; at < values.length; at += 1) {
      if (values[at]! < variables[at]!.most) return ((values[at]! += 1), true);
      values[at] = 0;
    }
    return false;
  };
  do {
    if (heeds(programme, values)) best = Math.min(best ?? Infinity, costOf(programme, values));
  } while (next());
  return best;
}

const row = (
  terms: [number, number][],
  sense: Row['sense'],
  bound: number,
  demand: string | null = null,
): Row => ({
  name: demand ?? 'row',
  terms: terms.map(([variable, by]) => ({ variable, by })),
  sense,
  bound,
  demand,
});

const programmes = fc.integer({ min: 1, max: 6 }).chain((count) =>
  fc.record({
    variables: fc
      .array(fc.record({ most: fc.integer({ min: 1, max: 2 }), cost: fc.integer({ min: -9, max: 20 }) }), {
        minLength: count,
        maxLength: count,
      })
      .map((all) => all.map((one, index) => ({ ...one, name: `x${index}` }))),
    rows: fc.array(
      fc.record({
        terms: fc.uniqueArray(
          fc.record({
            variable: fc.nat(count - 1),
            by: fc.integer({ min: -4, max: 6 }).filter((by) => by !== 0),
          }),
          { selector: ({ variable }) => variable, minLength: 1, maxLength: count },
        ),
        sense: fc.constantFrom('<=' as const, '>=' as const, '=' as const),
        bound: fc.integer({ min: -4, max: 10 }),
        demand: fc.constantFrom(null, 'a', 'b', 'c', 'd'),
        name: fc.constant('row'),
      }),
      { maxLength: 6 },
    ),
  }),
);

describe('the least cost', () => {
  it('is what trying everything finds, and infeasible where that finds nothing', () => {
    fc.assert(
      fc.property(programmes, (programme) => {
        const solved = solve(highs, programme);
        const best = bruteForce(programme);
        if (best === null) expect(solved.kind).toBe('infeasible');
        else {
          expect(solved).toMatchObject({ kind: 'proven', cost: expect.closeTo(best, 6) as number });
          if (solved.kind === 'proven') expect(heeds(programme, solved.values)).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('tells of every better solution on the way, the last being the best', () => {
    const costs: number[] = [];
    const programme: Programme = {
      variables: Array.from({ length: 40 }, (_, k) => ({
        name: `x${k}`,
        most: 1,
        cost: -(7 + ((k * 37) % 23)),
      })),
      rows: [
        row(
          Array.from({ length: 40 }, (_, k) => [k, 5 + ((k * 29) % 19)]),
          '<=',
          150,
        ),
      ],
    };
    const solved = solve(highs, programme, {
      watch: {
        better: (values, cost) => {
          expect(heeds(programme, values)).toBe(true);
          costs.push(cost);
        },
      },
    });
    expect(costs.length).toBeGreaterThan(0);
    if (solved.kind === 'proven') expect(costs.at(-1)).toBeCloseTo(solved.cost, 6);
  });
  it('a search that is stopped says how far from the best it can be at most, and that is little', () => {
    // A hundred things for ten bags at once, worth about what they weigh: nobody proves that in a second.
    const weigh = (thing: number, bag: number): number =>
      20 + ((thing * 97 + bag * 61 + thing * bag * 13) % 80);
    const programme: Programme = {
      variables: Array.from({ length: 100 }, (_, k) => ({
        name: `x${k}`,
        most: 1,
        cost: 200 - Array.from({ length: 10 }, (_b, bag) => weigh(k, bag)).reduce((a, b) => a + b, 0) / 8,
      })),
      rows: Array.from({ length: 10 }, (_, bag) =>
        row(
          Array.from({ length: 100 }, (_k, k) => [k, weigh(k, bag)]),
          '>=',
          3000,
        ),
      ),
    };
    const bounds: number[] = [];
    const solved = solve(highs, programme, {
      secondsMost: 2,
      watch: { progress: ({ bound }) => void bounds.push(bound) },
    });
    if (solved.kind !== 'stopped') throw new Error(solved.kind);
    expect(heeds(programme, solved.values)).toBe(true);
    expect(solved.gapPercent).toBeGreaterThan(0);
    expect(solved.gapPercent).toBeLessThan(20);
    // What it says is what its last bound says.
    const least = Math.max(...bounds);
    expect(solved.gapPercent).toBeCloseTo((100 * (solved.cost - least)) / solved.cost, 6);
  });
  it('of nothing is nothing', () =>
    expect(solve(highs, { variables: [], rows: [] })).toEqual({ kind: 'proven', values: [], cost: 0 }));
  it('a row without terms is heeded or never', () => {
    const one = [{ name: 'x', most: 1, cost: 1 }];
    expect(solve(highs, { variables: one, rows: [row([], '>=', 1)] }).kind).toBe('infeasible');
    expect(solve(highs, { variables: one, rows: [row([], '<=', 1)] }).kind).toBe('proven');
  });
});

describe('a conflict', () => {
  const subsets = (all: readonly string[]): string[][] =>
    all.reduce<string[][]>((sets, one) => [...sets, ...sets.map((set) => [...set, one])], [[]]);
  it('is the smallest there is, found by trying every set of demands', () => {
    fc.assert(
      fc.property(programmes, (programme) => {
        fc.pre(bruteForce(programme) === null);
        const demands = ['a', 'b', 'c', 'd'].filter((demand) =>
          programme.rows.some((one) => one.demand === demand),
        );
        const conflicts = subsets(demands).filter(
          (set) =>
            bruteForce(without(programme, new Set(demands.filter((demand) => !set.includes(demand))))) ===
            null,
        );
        const smallest = Math.min(...conflicts.map((set) => set.length));
        const found = smallestConflict(highs, programme);
        expect(found).toHaveLength(smallest);
        expect(conflicts.map((set) => set.sort().join())).toContain(found.sort().join());
      }),
      { numRuns: 60 },
    );
  });
  it('two caps that exclude each other, and either of them frees', () => {
    const programme: Programme = {
      variables: [
        { name: 'x', most: 5, cost: 1 },
        { name: 'y', most: 5, cost: 1 },
      ],
      rows: [
        row([[0, 1]], '>=', 3, 'at least'),
        row([[0, 1]], '<=', 2, 'at most'),
        row([[1, 1]], '<=', 4, 'beside'),
      ],
    };
    expect(smallestConflict(highs, programme).sort()).toEqual(['at least', 'at most']);
    for (const demand of ['at least', 'at most'])
      expect(solve(highs, without(programme, new Set([demand]))).kind).toBe('proven');
  });
});

describe('as text', () => {
  it('says the same to a solver that reads it', () => {
    fc.assert(
      fc.property(programmes, (programme) => {
        const best = bruteForce(programme);
        const read = highs.solve(lpText(programme), { output_flag: false });
        if (best === null) expect(read.Status).toBe('Infeasible');
        else expect(read.ObjectiveValue).toBeCloseTo(best, 6);
      }),
      { numRuns: 60 },
    );
  });
  it('keeps names that a reader would take for figures or signs', () => {
    const text = lpText({
      variables: [{ name: 'e12 + 3', most: 1, cost: 2.5 }],
      rows: [{ ...row([[0, 1]], '>=', 1), name: '3 of: "x"' }],
    });
    expect(text).toContain('v_e12___3');
    expect(highs.solve(text, { output_flag: false }).ObjectiveValue).toBeCloseTo(2.5, 9);
  });
});
