import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import reference from '../tests/reference/calc-cases.json';
import { calc } from './calc';
import { calculations } from './calculations';

const run = (name: string, input: unknown) =>
  calc([name], () => (typeof input === 'string' ? input : JSON.stringify(input)));

describe('the worked cases', () => {
  it.each(reference.cases.map((one) => [one.calc, one.input, one] as const))(
    '%s of %j',
    (name, input, { expect: expected, relativeTolerance }) => {
      const { status, out } = run(name, input);
      expect(status).toBe(0);
      const result = JSON.parse(out) as Record<string, unknown>;
      expect(Object.keys(result).sort()).toEqual(Object.keys(expected).sort());
      for (const [key, value] of Object.entries(expected)) {
        const got = result[key];
        if (typeof value === 'number')
          expect(Math.abs(Number(got) - value)).toBeLessThanOrEqual(Math.abs(value) * relativeTolerance);
        else expect(got).toEqual(value);
      }
    },
  );
});

/** What nobody means and anybody may send. */
const nasty = [
  null,
  true,
  '',
  'x'.repeat(10_000),
  '\0',
  [],
  {},
  -1,
  0,
  1e308,
  -1e308,
  1e-320,
  [[[[]]]],
  ['NaN'],
];

/** A value with one of its leaves replaced. */
function spoilt(value: unknown, at: number, by: unknown): unknown {
  let leaf = 0;
  const walk = (one: unknown): unknown => {
    if (Array.isArray(one)) return one.map(walk);
    if (typeof one === 'object' && one !== null)
      return Object.fromEntries(Object.entries(one).map(([key, inside]) => [key, walk(inside)]));
    return leaf++ === at ? by : one;
  };
  return walk(value);
}

describe('whatever comes in', () => {
  it.each(Object.keys(calculations))('%s answers with figures or with a path and what is allowed', (name) => {
    const inputs = reference.cases.filter((one) => one.calc === name).slice(0, 3);
    for (const { input } of inputs)
      for (let at = 0; at < 12; at += 1)
        for (const by of nasty) {
          const { status, out, errors } = run(name, spoilt(input, at, by));
          if (status === 2)
            expect([out, errors.every((line) => line.includes('allowed'))]).toEqual(['', true]);
          else expect(() => JSON.parse(out) as unknown).not.toThrow();
        }
  });
  it('nested a hundred thousand deep is refused in a line', () => {
    const { status, errors } = calc(['dc-feed'], () => '['.repeat(100_000));
    expect([status, errors]).toEqual([2, [expect.any(String)]]);
    expect(calc(['path-loss'], () => `{"a":${'['.repeat(100_000)}${']'.repeat(100_000)}}`).errors).toEqual([
      expect.stringContaining('allowed'),
    ]);
  });
});

describe('reflectometer', () => {
  it.each([
    ['open-143m', [{ kind: 'open', distanceM: 143 }]],
    ['short-88m', [{ kind: 'short', distanceM: 88 }]],
    [
      'joint-62m-open-180m',
      [
        { kind: 'series', distanceM: 62, ohms: 25 },
        { kind: 'open', distanceM: 180 },
      ],
    ],
  ])('reads %s', (name, wanted) => {
    const csv = readFileSync(`tests/reference/tdr/${name}.csv`, 'utf8');
    const { events } = JSON.parse(
      run('reflectometer', { csv, velocityFactor: 0.83, impedanceOhms: 75 }).out,
    ) as { events: { kind: string; distanceM: number; ohms?: number; confidence: number }[] };
    expect(events.map(({ kind }) => kind)).toEqual(wanted.map(({ kind }) => kind));
    events.forEach(({ distanceM, ohms }, k) => {
      expect(Math.abs(distanceM - wanted[k]!.distanceM)).toBeLessThan(1);
      const { ohms: wantedOhms } = wanted[k] as { ohms?: number };
      if (wantedOhms !== undefined) expect(Math.abs(ohms! - wantedOhms)).toBeLessThan(wantedOhms / 4);
    });
  });
  it('says what is wrong with a trace', () => {
    const { status, errors } = run('reflectometer', {
      csv: 'a,b\n1,2',
      velocityFactor: 0.83,
      impedanceOhms: 75,
    });
    expect([status, errors.join()]).toEqual([2, expect.stringContaining('columns time_ns and volts')]);
    expect(run('reflectometer', { csv: '', velocityFactor: 1.2, impedanceOhms: 75 }).errors.join()).toMatch(
      /velocityFactor is 1.2/,
    );
  });
});

describe('calc', () => {
  it('lists every calculation with a line', () => {
    const { out } = calc(['--list'], () => '');
    expect(out.split('\n')).toHaveLength(Object.keys(calculations).length);
  });
  it.each(Object.keys(calculations))('%s has a JSON Schema of an object', (name) => {
    const { status, out } = calc([name, '--schema'], () => '');
    expect(status).toBe(0);
    expect(out).toContain('"additionalProperties":false');
  });
  it('has no limit as null, never Infinity', () => {
    expect(
      JSON.parse(run('dc-feed', { sourceVolts: 12, loopOhms: 0, loadWatts: 5, minLoadVolts: 10.8 }).out),
    ).toMatchObject({ state: 'ok', loadVolts: 12, maxLoadWatts: null });
  });
  const segments = [{ cable: 'coax-rg59-cu', lengthM: 100 }];
  it.each<[string, unknown, string]>([
    ['path-loss', { segments: [], frequencyMHz: 6 }, 'segments is [], allowed: at least 1 item'],
    [
      'path-loss',
      { segments: [{ cable: 'string', lengthM: 3 }], frequencyMHz: 6 },
      'segments[0].cable is "string", allowed: one of coax-rg59-cu',
    ],
    [
      'path-loss',
      { segments: [{ cable: 'coax-rg59-cu', lengthM: -3 }], frequencyMHz: 6 },
      'segments[0].lengthM is -3, allowed: at least 0',
    ],
    ['path-loss', { segments, frequencyMHz: '6' }, 'frequencyMHz is "6", allowed: a number'],
    [
      'path-loss',
      '{"segments":[{"cable":"coax-rg59-cu","lengthM":1e999}],"frequencyMHz":6}',
      'segments[0].lengthM is null, allowed: a number',
    ],
    ['path-loss', '{"segments":NaN}', '(input) is not JSON'],
    ['path-loss', '', '(input) is not JSON'],
    ['path-loss', [], '(input) is [], allowed: an object'],
    [
      'dc-feed',
      { sourceVolts: 12, loopOhms: 1, minLoadVolts: 10 },
      'loadWatts is missing, allowed: a number',
    ],
    [
      'dc-feed',
      { sourceVolts: 12, loopOhms: 1, minLoadVolts: 10, loadWatts: 1, loadAmps: 1 },
      'allowed: no field of this name here',
    ],
    [
      'conductor-resistance',
      { awg: 18, areaMm2: 1, material: 'copper', temperatureC: 20, lengthM: 1 },
      'allowed: no field of this name here',
    ],
    [
      'conductor-resistance',
      { awg: 18, material: 'gold', temperatureC: 20, lengthM: 1 },
      'material is "gold", allowed: one of copper, cca, ccs40, ccs21',
    ],
    [
      'loop-resistance',
      {
        lengthM: 1,
        temperatureC: 20,
        out: { awg: 18, material: 'copper', count: 0 },
        back: { awg: 18, material: 'copper', count: 1 },
      },
      'out.count is 0, allowed: at least 1',
    ],
    [
      'coax-loop-resistance',
      { cable: 'pair-cat6', lengthM: 1, temperatureC: 20 },
      'cable is "pair-cat6", allowed: one of coax-rg59-cu',
    ],
    ['weather', {}, 'calculation is "weather", allowed: one of'],
    ['toString', {}, 'calculation is "toString", allowed: one of'],
  ])('%s of %j is refused', (name, input, line) => {
    const { status, out, errors } = run(name, input);
    expect([status, out]).toEqual([2, '']);
    expect(errors.join('\n')).toContain(line);
  });
});
