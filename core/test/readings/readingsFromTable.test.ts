import { describe, expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import { quantityTests } from '#core/model/site';
import { readingsFromTable } from '.';
import type { Cell } from '#core/survey/lists';

const site = saltmarrowSite();
const read = (headings: string[], ...rows: Cell[][]) =>
  readingsFromTable(site, { headings, rows: rows.map((cells, index) => ({ line: index + 2, cells })) });

describe('readings from a table', () => {
  it('a row for each reading, in whatever words and units', () => {
    const { readings, problems } = read(
      ['Camera', 'Test', 'Value', 'Unit', 'Time', 'Temp', 'Meter'],
      [15, 'Loop, centre and shield', '4,2', 'Ω', '2026-03-10 08:12', '14', 'Bench meter 2'],
      [16, 'coax-loop-ohms', '3.8', '', '', '', ''],
      [15, 'night volts', '24100', 'mV', '', '', ''],
    );
    expect(problems).toEqual([]);
    expect(readings).toMatchObject([
      {
        cameraNumber: 15,
        found: { test: 'coax-loop-ohms', value: 4.2 },
        at: '2026-03-10T08:12:00.000Z',
        temperatureC: 14,
        instrument: 'Bench meter 2',
      },
      { cameraNumber: 16, found: { test: 'coax-loop-ohms', value: 3.8 } },
      { found: { test: 'night-volts', value: 24.1 } },
    ]);
    expect(readings[1]).not.toHaveProperty('at');
  });
  it.each(
    quantityTests.flatMap(({ id, label, alsoCalled, appliesTo }) =>
      [id, label, ...alsoCalled].map(
        (name) => [name, id, appliesTo === 'pair-throughout' ? 20 : 15] as const,
      ),
    ),
  )('“%s” is %s', (name, id, number) => {
    const { readings, problems } = read(['Run', 'Test', 'Value'], [number, name.toUpperCase(), 3]);
    expect(problems).toEqual([]);
    expect(readings).toMatchObject([{ found: { test: id, value: 3 } }]);
  });
  it.each([
    ['OL', 'coax-loop-ohms', 99_999],
    ['> 2000', 'coax-loop-ohms', 99_999],
    ['> 2000', 'insulation-megohms', 2000],
    ['OL', 'insulation-megohms', 200],
  ])('%s of %s: the end of the meter', (value, test, expected) => {
    const { readings, problems } = read(['Run', 'Test', 'Value'], [15, test, value]);
    expect(problems).toEqual([]);
    expect(readings).toMatchObject([{ found: { test, value: expected } }]);
  });
  it('an end of range says nothing of volts', () => {
    expect(read(['Run', 'Test', 'Value'], [15, 'night volts', 'OL']).problems).toHaveLength(1);
  });
  it('says of a meter that it was proved only where the table does', () => {
    const { readings } = read(
      ['Run', 'Test', 'Value', 'Meter proved'],
      [15, 'foreign ac', '0.2', 'yes'],
      [16, 'foreign ac', '0.2', ''],
    );
    expect(readings.map(({ meterProved }) => meterProved)).toEqual([true, undefined]);
  });
  it('a row for each run, a column for each test', () => {
    const { readings, remarks } = read(
      ['No', 'Insulation', 'Volts at night', 'Weather'],
      [15, '12', '24.1', 'rain'],
      [16, '', '24.0', ''],
    );
    expect(readings.map(({ cameraNumber, found }) => [cameraNumber, found])).toEqual([
      [15, { test: 'insulation-megohms', value: 12 }],
      [15, { test: 'night-volts', value: 24.1 }],
      [16, { test: 'night-volts', value: 24 }],
    ]);
    expect(remarks).toEqual(['Not understood and left out: Weather.']);
  });
  it('a column of cable types does not stand in for the run', () => {
    const { readings, problems } = read(['Cable', 'Run', 'Insulation'], ['RG-59', 15, '12']);
    expect(problems).toEqual([]);
    expect(readings).toMatchObject([{ cameraNumber: 15, found: { value: 12 } }]);
  });
  it('reads what a certifier writes, a row for each cable', () => {
    const { readings, problems } = read(
      [
        'Cable label',
        'Wire map',
        'Longest pair (m)',
        'Insertion loss (dB)',
        'NEXT (dB)',
        'Resistance unbalance (%)',
      ],
      ['SFT-20', 'PASS', '73.5', '16.2', '38', '1.2'],
      ['SFT-21', 'Split pair 3,6-4,5', '87', '', '18.4', ''],
      ['SFT-01', 'PASS', '', '', '', ''],
      ['SFT-22', 'unclear', '', '', '', ''],
    );
    expect(readings.map(({ cameraNumber, found }) => [cameraNumber, found])).toEqual([
      [20, { test: 'wire-map', found: 'straight' }],
      [20, { test: 'pair-length-m', value: 73.5 }],
      [20, { test: 'insertion-loss-db', value: 16.2 }],
      [20, { test: 'next-db', value: 38 }],
      [20, { test: 'pair-unbalance-percent', value: 1.2 }],
      [21, { test: 'wire-map', found: 'split' }],
      [21, { test: 'pair-length-m', value: 87 }],
      [21, { test: 'next-db', value: 18.4 }],
    ]);
    expect(problems).toEqual([
      { line: 4, why: 'wire map: the run is not category cable all the way' },
      { line: 5, why: '“unclear”: pass, open, short, crossed, reversed or split' },
    ]);
  });
  it('says line by line what it does not understand, and guesses nothing', () => {
    const { readings, problems } = read(
      ['run', 'test', 'value', 'when', 'temperature'],
      [99, 'insulation', '3', '', ''],
      [15, 'smell', '3', '', ''],
      [15, 'insulation', 'damp', '', ''],
      [15, 'insulation', '-3', '', ''],
      [15, 'insulation', '3', 'last week', 'warm'],
    );
    expect(problems.map(({ line, why }) => [line, why.replace(/:.*/, '')])).toEqual([
      [2, 'there is no run 99'],
      [3, '“smell” is no test with a figure'],
      [4, '“damp”'],
      [5, '“-3”'],
      [6, 'Date “last week” not understood; use 2026-03-12 08'],
      [6, '“warm”'],
    ]);
    expect(readings).toHaveLength(1);
  });
  it.each([
    [['test', 'value'], 'no column names the run'],
    [['run', 'colour'], 'no column names the test'],
    [['run', 'test'], 'no column holds the value'],
  ] as const)('%j: %s', (headings, why) => {
    expect(read([...headings], [1, 2]).problems[0]!.why).toContain(why);
  });
});
