import { createNormal, createRandom } from '#core/shared/random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import jointCsv from '../../../tests/reference/tdr/joint-62m-open-180m.csv?raw';
import openCsv from '../../../tests/reference/tdr/open-143m.csv?raw';
import shortCsv from '../../../tests/reference/tdr/short-88m.csv?raw';
import { arrivals, type Node } from './arrivals';
import {
  findEvents,
  forwardTrace,
  lineReflection,
  traceFromCsv,
  type End,
  type Fault,
  type Line,
  type LineEvent,
  type Pulse,
  type Stretch,
  type Trace,
} from '.';

const known = { velocityFactor: 0.83, impedanceOhms: 75 };
const pulse: Pulse = { centreNs: 5, widthNs: 5, edgeNs: 1, volts: 1 };
const cable = (lengthM: number, over: Partial<Stretch> = {}): Stretch => ({
  kind: 'stretch',
  lengthM,
  velocityFactor: 0.83,
  impedanceOhms: 75,
  ...over,
});
const open: End = { kind: 'open' };
const matched: End = { kind: 'load', ohms: 75 };
const see = (line: Line, count = 4096): Trace => forwardTrace(line, pulse, 75, 0.5, count);
const at = (trace: Trace, metres: number): number =>
  trace.volts[Math.round((5 + (2 * metres) / (0.83 * 0.299792458)) / 0.5)]!;

/** Traces of lines with a flat 0.12 Ω/m, made by a circuit simulator. */
const simulated: Record<string, string> = {
  'open-143m': openCsv,
  'short-88m': shortCsv,
  'joint-62m-open-180m': jointCsv,
};
const reference = (name: string): Trace => {
  const read = traceFromCsv(simulated[name]!);
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
};
const references: [string, Line][] = [
  ['open-143m', { elements: [cable(143, { ohmsPerM: 0.12 })], end: open }],
  ['short-88m', { elements: [cable(88, { ohmsPerM: 0.12 })], end: { kind: 'short' } }],
  [
    'joint-62m-open-180m',
    {
      elements: [cable(62, { ohmsPerM: 0.12 }), { kind: 'series', ohms: 25 }, cable(118, { ohmsPerM: 0.12 })],
      end: open,
    },
  ],
];

describe('the forward model', () => {
  it.each(references)('shows %s as the simulator does', (name, line) => {
    const [theirs, ours] = [reference(name), forwardTrace(line, pulse, 75, 0.5, 5201)];
    const away = Array.from(theirs.volts, (value, k) => Math.abs(value - ours.volts[k]!)).sort(
      (a, b) => a - b,
    );
    // Their pulse is sampled a little off on its edges; everywhere else the two are the same.
    expect(away[Math.floor(away.length * 0.99)]!).toBeLessThan(0.012);
    expect(Math.max(...ours.volts.slice(60))).toBeCloseTo(Math.max(...theirs.volts.slice(60)), 1);
  });
  it('sends nothing back from a line that ends in its own impedance', () => {
    expect(
      Math.max(
        ...see({ elements: [cable(90)], end: matched })
          .volts.slice(20)
          .map(Math.abs),
      ),
    ).toBeLessThan(1e-9);
  });
  it('sends everything back from an open end, turned over from a short, and the rest from a fault, by the formulas', () => {
    expect(at(see({ elements: [cable(100)], end: open }), 100)).toBeCloseTo(1, 2);
    expect(at(see({ elements: [cable(100)], end: { kind: 'short' } }), 100)).toBeCloseTo(-1, 2);
    expect(
      at(see({ elements: [cable(50), { kind: 'series', ohms: 50 }, cable(50)], end: matched }), 50),
    ).toBeCloseTo(50 / 200, 2);
    expect(
      at(see({ elements: [cable(50), { kind: 'shunt', ohms: 75 }, cable(50)], end: matched }), 50),
    ).toBeCloseTo(-1 / 3, 2);
    expect(
      at(
        see({ elements: [cable(50), cable(50, { impedanceOhms: 50 })], end: { kind: 'load', ohms: 50 } }),
        50,
      ),
    ).toBeCloseTo(-0.2, 2);
    expect(at(see({ elements: [cable(100)], end: { kind: 'load', ohms: 300 } }), 100)).toBeCloseTo(0.6, 2);
  });
  it('a branch takes a third and gives it back from its end', () => {
    const trace = see({
      elements: [cable(50), { kind: 'tap', stub: cable(20), end: open }, cable(80)],
      end: matched,
    });
    expect([at(trace, 50), at(trace, 70), at(trace, 90)]).toEqual([
      expect.closeTo(-1 / 3, 3),
      expect.closeTo(4 / 9, 3),
      expect.closeTo(-4 / 27, 3),
    ]);
  });
  it('gets no more out of a line than was sent in, whatever is on it', () => {
    const fault = fc.oneof(
      fc.record({
        kind: fc.constant('series' as const),
        ohms: fc.double({ min: 0.1, max: 1000, noNaN: true }),
      }),
      fc.record({
        kind: fc.constant('shunt' as const),
        ohms: fc.double({ min: 0.1, max: 1000, noNaN: true }),
      }),
    );
    const stretch = fc
      .record({
        lengthM: fc.double({ min: 0.1, max: 300, noNaN: true }),
        impedanceOhms: fc.constantFrom(50, 75, 100),
        ohmsPerM: fc.double({ min: 0, max: 0.3, noNaN: true }),
        skinDbPer100m: fc.double({ min: 0, max: 2, noNaN: true }),
      })
      .map((fields) => cable(1, fields));
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fault, stretch), { maxLength: 8 }),
        fc.double({ min: 0.01, max: 900, noNaN: true }),
        (elements, megahertz) => {
          const { re, im } = lineReflection({ elements, end: open }, 75, megahertz);
          expect(Math.hypot(re, im)).toBeLessThan(1 + 1e-9);
        },
      ),
    );
  });
  it('is told by following every echo, too', () => {
    // Without loss both are exact: the model works in frequencies, the other follows waves to and fro.
    const faults: [number, Fault][] = [
      [40, { kind: 'series', ohms: 50 }],
      [70, { kind: 'shunt', ohms: 100 }],
    ];
    const nsOf = (metres: number) => (2 * metres) / (0.83 * 0.299792458);
    const rho = [50 / 200, -75 / 275];
    const nodes: Node[] = [
      ...faults.map(([metres], k): Node => ({
        timeNs: nsOf(metres),
        rho: rho[k]!,
        rhoBeyond: rho[k]!,
        throughBoth: (1 - Math.abs(rho[k]!)) ** 2,
      })),
      { timeNs: nsOf(120), rho: 1, rhoBeyond: 0, throughBoth: 0 },
    ];
    const trace = see({
      elements: [cable(40), faults[0]![1], cable(30), faults[1]![1], cable(50)],
      end: open,
    });
    const known = arrivals(nodes, () => 1, 1e-6, 1500);
    for (const metres of [40, 70, 100, 120, 150]) {
      const sum = known
        .filter(({ timeNs }) => Math.abs(timeNs - nsOf(metres)) < 0.01)
        .reduce((so, { size }) => so + size, 0);
      expect(at(trace, metres)).toBeCloseTo(sum, 3);
    }
  });
});

describe('a branch that ends in a short, on a line that does', () => {
  it('still has a trace', () => {
    const { volts } = see(
      {
        elements: [cable(42), { kind: 'tap', stub: cable(14), end: { kind: 'short' } }, cable(60)],
        end: { kind: 'short' },
      },
      2048,
    );
    expect(volts.every((value) => Number.isFinite(value))).toBe(true);
    expect(Math.min(...volts)).toBeLessThan(-0.3);
  });
});

interface Wanted {
  kind: LineEvent['kind'];
  at: number;
  ohms?: number;
}
const fits = (found: LineEvent[], wanted: Wanted[]): boolean =>
  found.length === wanted.length &&
  found.every(({ kind, distanceM, ohms }, k) => {
    const { kind: wantedKind, at: metres, ohms: wantedOhms } = wanted[k]!;
    return (
      kind === wantedKind &&
      Math.abs(distanceM - metres) <= Math.max(1, metres / 100) &&
      (wantedOhms === undefined || Math.abs(ohms! - wantedOhms) <= wantedOhms / 4)
    );
  });
const written = (events: { kind: string; distanceM?: number; at?: number; ohms?: number }[]) =>
  events
    .map(
      ({ kind, distanceM, at: metres, ohms }) =>
        `${kind} ${(distanceM ?? metres)!.toFixed(1)} m ${ohms?.toFixed(0) ?? ''}`,
    )
    .join('; ');
/** Noise that is the same in every run. */
function noisy(trace: Trace, sigma: number, start: number): Trace {
  const normal = createNormal(createRandom(start));
  return {
    ...trace,
    volts: trace.volts.map((value) => value + sigma * normal()),
  };
}

describe('what stands on a line', () => {
  it.each<[string, Wanted[]]>([
    ['open-143m', [{ kind: 'open', at: 143 }]],
    ['short-88m', [{ kind: 'short', at: 88 }]],
    [
      'joint-62m-open-180m',
      [
        { kind: 'series', at: 62, ohms: 25 },
        { kind: 'open', at: 180 },
      ],
    ],
  ])('is found in the simulator’s trace of %s, with the loss given or not', (name, wanted) => {
    for (const given of [known, { ...known, lossDbPer100m: 0.695 }]) {
      const found = findEvents(reference(name), given);
      expect(fits(found, wanted), written(found)).toBe(true);
    }
  });

  const lossy = (lengthM: number, over: Partial<Stretch> = {}) =>
    cable(lengthM, { skinDbPer100m: 0.8, ...over });
  const lines: [string, Line, Wanted[]][] = [
    ['a matched line and nothing on it', { elements: [lossy(120)], end: matched }, []],
    [
      'two joints and an open end',
      {
        elements: [
          lossy(40),
          { kind: 'series', ohms: 12 },
          lossy(55),
          { kind: 'series', ohms: 30 },
          lossy(65),
        ],
        end: open,
      },
      [
        { kind: 'series', at: 40, ohms: 12 },
        { kind: 'series', at: 95, ohms: 30 },
        { kind: 'open', at: 160 },
      ],
    ],
    [
      'water and a short',
      { elements: [lossy(50), { kind: 'shunt', ohms: 300 }, lossy(70)], end: { kind: 'short' } },
      [
        { kind: 'shunt', at: 50, ohms: 300 },
        { kind: 'short', at: 120 },
      ],
    ],
    [
      'a patch of 50 Ω cable',
      { elements: [lossy(60), lossy(12, { impedanceOhms: 50 }), lossy(78)], end: open },
      [
        { kind: 'lower-impedance', at: 60, ohms: 50 },
        { kind: 'patch-end', at: 72 },
        { kind: 'open', at: 150 },
      ],
    ],
    [
      'a tap with its stub',
      { elements: [lossy(70), { kind: 'tap', stub: lossy(8), end: open }, lossy(70)], end: open },
      [
        { kind: 'tap', at: 70 },
        { kind: 'open', at: 140 },
      ],
    ],
    [
      'an end that is a load',
      { elements: [lossy(100)], end: { kind: 'load', ohms: 300 } },
      [{ kind: 'end', at: 100, ohms: 300 }],
    ],
    [
      'a mild joint near a strong one',
      {
        elements: [
          lossy(20),
          { kind: 'series', ohms: 6 },
          lossy(10),
          { kind: 'series', ohms: 100 },
          lossy(80),
        ],
        end: open,
      },
      [
        { kind: 'series', at: 20, ohms: 6 },
        { kind: 'series', at: 30, ohms: 100 },
        { kind: 'open', at: 110 },
      ],
    ],
    [
      'faults on a line that ends matched',
      {
        elements: [
          lossy(30),
          { kind: 'shunt', ohms: 100 },
          lossy(50),
          { kind: 'series', ohms: 20 },
          lossy(70),
        ],
        end: matched,
      },
      [
        { kind: 'shunt', at: 30, ohms: 100 },
        { kind: 'series', at: 80, ohms: 20 },
      ],
    ],
    [
      'faults far out on a long line',
      {
        elements: [
          lossy(100),
          { kind: 'series', ohms: 20 },
          lossy(100),
          { kind: 'shunt', ohms: 150 },
          lossy(100),
        ],
        end: open,
      },
      [
        { kind: 'series', at: 100, ohms: 20 },
        { kind: 'shunt', at: 200, ohms: 150 },
        { kind: 'open', at: 300 },
      ],
    ],
  ];
  it.each(lines)('is %s, with noise and without', (_, line, wanted) => {
    const trace = see(line, 8192);
    for (const heard of [trace, noisy(trace, 0.002, 11)]) {
      const found = findEvents(heard, known);
      expect(fits(found, wanted), written(found)).toBe(true);
    }
  });

  it('is found wherever it stands, and nothing is made up', () => {
    const fault = fc.oneof(
      fc.record({ kind: fc.constant('series' as const), ohms: fc.integer({ min: 8, max: 68 }) }),
      fc.record({ kind: fc.constant('shunt' as const), ohms: fc.integer({ min: 90, max: 490 }) }),
    );
    const line = fc.record({
      faults: fc.array(fc.record({ metres: fc.integer({ min: 26, max: 75 }), fault }), { maxLength: 2 }),
      last: fc.integer({ min: 20, max: 110 }),
      end: fc.constantFrom<End>(open, { kind: 'short' }, matched),
      skin: fc.constantFrom(0, 0.4, 0.8),
      flat: fc.constantFrom(0, 0.03, 0.1),
      noise: fc.constantFrom(0, 0.001, 0.0025),
    });
    fc.assert(
      fc.property(line, ({ faults, last, end, skin, flat, noise }) => {
        const stretch = (lengthM: number) => cable(lengthM, { skinDbPer100m: skin, ohmsPerM: flat });
        let metres = 0;
        const wanted: Wanted[] = faults.map(({ metres: more, fault: { kind, ohms } }) => ({
          kind,
          at: (metres += more),
          ohms,
        }));
        if (end.kind !== 'load') wanted.push({ kind: end.kind, at: metres + last });
        const trace = see(
          {
            elements: [
              ...faults.flatMap(({ metres: more, fault: one }) => [stretch(more), one]),
              stretch(last),
            ],
            end,
          },
          8192,
        );
        const found = findEvents(noise > 0 ? noisy(trace, noise, 5) : trace, known);
        expect(fits(found, wanted), `${written(found)} for ${written(wanted)}`).toBe(true);
      }),
      { numRuns: 40, seed: 20_261_125 },
    );
  });

  it('is nothing where there is no trace to speak of', () => {
    expect(findEvents({ stepNs: 0.5, volts: new Float64Array(500) }, known)).toEqual([]);
    expect(
      findEvents(
        { stepNs: 0.5, volts: Float64Array.from({ length: 20 }, (_, k) => (k > 4 && k < 15 ? 1 : 0)) },
        known,
      ),
    ).toEqual([]);
  });
});

describe('a trace as CSV', () => {
  const rows = (count: number, row = (k: number) => `${k * 0.5},${k % 3}`) =>
    ['time_ns,volts', ...Array.from({ length: count }, (_, k) => row(k))].join('\n');
  it('is read whatever separates its columns', () => {
    expect(traceFromCsv(rows(20))).toMatchObject({ kind: 'sound', value: { stepNs: 0.5 } });
    expect(
      traceFromCsv(rows(20, (k) => `${k * 2};1`).replace('time_ns,volts', 'time_ns;volts')),
    ).toMatchObject({ value: { stepNs: 2 } });
  });
  it.each([
    ['no headings', '1,2\n3,4', 'columns time_ns and volts'],
    ['too short', rows(4), 'at least 16 readings'],
    ['words in it', rows(20, (k) => (k === 7 ? 'x,1' : `${k},1`)), 'two numbers'],
    ['a gap', rows(20, (k) => (k === 7 ? ',1' : `${k},1`)), 'two numbers'],
    ['steps that are not even', rows(20, (k) => `${k > 9 ? k + 3 : k},1`), 'even steps'],
    ['time that stands still', rows(20, () => '1,1'), 'even steps'],
  ])('with %s is refused in words', (_, text, allowed) =>
    expect(traceFromCsv(text)).toMatchObject({
      kind: 'refused',
      problems: [{ allowed: expect.stringContaining(allowed) }],
    }),
  );
});

describe('a branch', () => {
  it('tells how long a wave takes to its end and back, and that it is open', () => {
    const lossy = (lengthM: number) => cable(lengthM, { skinDbPer100m: 0.8 });
    const trace = see({
      elements: [lossy(70), { kind: 'tap', stub: lossy(8), end: open }, lossy(70)],
      end: open,
    });
    const tap = findEvents(trace, known).find(({ kind }) => kind === 'tap');
    expect(tap).toMatchObject({ kind: 'tap', branch: { gamma: 1 } });
    expect((tap!.branch!.thereAndBackNs * known.velocityFactor * 0.299792) / 2).toBeCloseTo(8, 0);
  });
});
